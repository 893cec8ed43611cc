package verisonus.cli;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Locale;
import java.util.Objects;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.core.derive.FairSwap;
import verisonus.core.derive.Keeping;
import verisonus.core.fault.InputFault;
import verisonus.core.rig.Control;
import verisonus.core.rig.Tone;

@Command(name = "turn", mixinStandardHelpOptions = true, description = "Turns one control while the loudness, or the dirt too, stays as it was.")
final class TurnCommand extends VerboseOption implements Callable<Integer> {
    @Option(names = "--tone", required = true, paramLabel = "TONE.json", description = "the tone")
    private @Nullable Path tone;

    @Option(names = "--di", required = true, paramLabel = "DI", description = "dry guitar to balance on")
    private @Nullable Path di;

    @Option(names = "--block", required = true, paramLabel = "ID", description = "block whose control is turned")
    private String block = "";

    @Option(names = "--control", required = true, paramLabel = "NAME", description = "the control")
    private String control = "";

    @Option(names = "--to", required = true, paramLabel = "VALUE", description = "its new value, in its unit")
    private double value;

    @Option(names = "--keep", paramLabel = "WHAT", description = "nothing, loudness or dirt (default: ${DEFAULT-VALUE})")
    private Keeping keeping = Keeping.LOUDNESS;

    @Option(names = "--out", required = true, paramLabel = "TONE.json", description = "where the changed tone goes")
    private @Nullable Path out;

    @Option(names = "--force", description = "replace an existing file")
    private boolean force;

    @Override
    public Integer call() {
        OutputFile target = new OutputFile(Objects.requireNonNull(out), force);
        target.check();
        ToneOfBlock read = ToneOfBlock.read(Objects.requireNonNull(tone), block);
        Control c = read.block().model().find(control).orElseThrow(() -> new InputFault(block,
                "it has no control called " + control, "name one of " + String.join(", ",
                        read.block().model().controls().stream().map(Control::name).toList())));
        if (!(value >= c.minimum() && value <= c.maximum())) {
            throw new InputFault(block + " " + control, String.format(Locale.ROOT, "%s is out of its range", value),
                    String.format(Locale.ROOT, "use %s to %s", c.minimum(), c.maximum()));
        }
        Tone turned = new FairSwap(AudioInput.read(Objects.requireNonNull(di))).turned(read.tone(), read.block(),
                control, value, keeping);
        target.write(Json.text(ToneJson.write(turned)).getBytes(StandardCharsets.UTF_8));
        System.err.printf("verisonus: wrote %s%n", out);
        return 0;
    }
}
