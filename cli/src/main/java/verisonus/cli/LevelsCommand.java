package verisonus.cli;

import java.nio.file.Path;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.ToneInput;
import verisonus.core.simulate.LevelWalk;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

@Command(name = "levels", mixinStandardHelpOptions = true, description = "How loud it is at each point of the chain, and where an input clips, is starved or is loaded.")
final class LevelsCommand extends CommonOptions implements Callable<Integer> {
    /** More than any instrument or line input takes. */
    private static final double MOST_VOLTS = 1000;

    @Option(names = "--tone", required = true, paramLabel = "TONE.json", description = "the tone")
    private @Nullable Path tone;

    @Option(names = "--di", required = true, paramLabel = "DI", description = "dry guitar")
    private @Nullable Path di;

    @Option(names = "--full-scale-volts", paramLabel = "V", description = "peak volts at the socket that read 0 dBFS (default: unknown)")
    private @Nullable Double fullScaleVolts;

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        if (fullScaleVolts != null && !(fullScaleVolts > 0 && fullScaleVolts <= MOST_VOLTS))
            throw new InputFault("--full-scale-volts " + fullScaleVolts, "it is no voltage of an input",
                    "give the peak volts that read 0 dBFS, over 0 and up to 1000");
        Sound dry = AudioInput.read(Objects.requireNonNull(di));
        var points = LevelWalk.of(ToneInput.tone(Objects.requireNonNull(tone)), dry,
                Optional.ofNullable(fullScaleVolts));
        ObjectNode document = Json.object("verisonus.levels/1");
        ArrayNode list = document.putArray("points");
        for (LevelWalk.Point p : points) {
            String name = p.block().isEmpty() ? "dry take" : p.block();
            ObjectNode n = list.addObject().put("after", name);
            Json.put(n, "peak_dbfs", p.peakDbfs(), 1);
            Json.put(n, "rms_dbfs", p.rmsDbfs(), 1);
            p.volts().ifPresentOrElse(v -> Json.put(n, "peak_volts", v, 3), () -> n.putNull("peak_volts"));
            if (p.fault().isEmpty()) {
                n.putNull("fault");
            } else {
                n.put("fault", p.fault());
            }
            if (!json.asked()) {
                System.out.printf("%-20s peak %6.1f dBFS  rms %6.1f dBFS%s%s%n", name, p.peakDbfs(), p.rmsDbfs(),
                        p.volts().map(v -> Figures.of("  %.2f V", v)).orElse(""),
                        p.fault().isEmpty() ? "" : "  ! " + p.fault());
            }
        }
        if (json.asked()) {
            json.print(document);
        } else if (fullScaleVolts == null) {
            System.out.println(
                    "The input's sensitivity is not known, so levels are not in volts; --full-scale-volts gives"
                            + " it.");
        }
        return 0;
    }
}
