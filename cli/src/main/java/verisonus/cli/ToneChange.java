package verisonus.cli;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Objects;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.ToneOfBlock;
import verisonus.core.feel.FairSwap;
import verisonus.core.rig.Tone;

/** A command that changes one block of a tone, balances it on a dry take and writes the tone that comes of it. */
abstract class ToneChange extends CommonOptions implements Callable<Integer> {
    @Option(names = "--tone", required = true, paramLabel = "TONE.json", description = "the tone")
    private @Nullable Path tone;

    @Option(names = "--di", required = true, paramLabel = "DI", description = "dry guitar to balance on")
    private @Nullable Path di;

    @Option(names = "--block", required = true, paramLabel = "ID", description = "the block that is changed")
    private String block = "";

    @Option(names = "--out", required = true, paramLabel = "TONE.json", description = "where the changed tone goes")
    private @Nullable Path out;

    @Mixin
    private final ForceOption force = new ForceOption();

    /** The tone with its block changed; refuses what cannot be. */
    abstract Tone changed(ToneOfBlock read, FairSwap fair);

    @Override
    public final Integer call() {
        OutputFile target = force.to(Objects.requireNonNull(out));
        target.check();
        ToneOfBlock read = ToneOfBlock.read(Objects.requireNonNull(tone), block);
        Tone result = changed(read, new FairSwap(AudioInput.read(Objects.requireNonNull(di))));
        target.write(Json.text(ToneJson.write(result)).getBytes(StandardCharsets.UTF_8));
        System.err.printf("verisonus: wrote %s%n", out);
        return 0;
    }
}
