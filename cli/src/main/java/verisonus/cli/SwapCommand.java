package verisonus.cli;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Objects;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.core.derive.FairSwap;
import verisonus.core.fault.InputFault;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;

@Command(name = "swap", mixinStandardHelpOptions = true, description = "Exchanges a block for another model; gain and loudness are balanced so that only its character differs.")
final class SwapCommand extends VerboseOption implements Callable<Integer> {
    @Option(names = "--tone", required = true, paramLabel = "TONE.json", description = "the tone")
    private @Nullable Path tone;

    @Option(names = "--di", required = true, paramLabel = "DI", description = "dry guitar to balance on")
    private @Nullable Path di;

    @Option(names = "--block", required = true, paramLabel = "ID", description = "block to exchange")
    private String block = "";

    @Option(names = "--model", required = true, paramLabel = "MODEL", description = "what stands there instead")
    private String model = "";

    @Option(names = "--uncompensated", description = "leave gain and loudness as they come")
    private boolean uncompensated;

    @Option(names = "--out", required = true, paramLabel = "TONE.json", description = "where the changed tone goes")
    private @Nullable Path out;

    @Option(names = "--force", description = "replace an existing file")
    private boolean force;

    @Override
    public Integer call() {
        OutputFile target = new OutputFile(Objects.requireNonNull(out), force);
        target.check();
        ToneOfBlock read = ToneOfBlock.read(Objects.requireNonNull(tone), block);
        Model other = Gear.find(model).filter(m -> m.kind() == read.block().model().kind())
                .orElseThrow(() -> new InputFault(model, "it is no " + read.block().model().kind().word(),
                        "choose one of " + String.join(", ",
                                Gear.of(read.block().model().kind()).stream().map(Model::name).toList())));
        Tone changed = read.tone().with(read.block().exchangedFor(other));
        Tone result = uncompensated
                ? changed
                : new FairSwap(AudioInput.read(Objects.requireNonNull(di))).balanced(read.tone(), changed, block);
        target.write(Json.text(ToneJson.write(result)).getBytes(StandardCharsets.UTF_8));
        System.err.printf("verisonus: wrote %s%n", out);
        return 0;
    }
}
