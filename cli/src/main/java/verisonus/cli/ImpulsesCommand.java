package verisonus.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.ImpulseFolder;
import verisonus.casebook.exchange.Json;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.ToneInput;
import verisonus.core.advise.ImpulseRanking;
import verisonus.core.rig.Tone;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

@Command(name = "impulses", mixinStandardHelpOptions = true, description = "Describes the impulse responses of a folder and ranks them against a reference.")
final class ImpulsesCommand extends CommonOptions implements Callable<Integer> {
    @Parameters(paramLabel = "FOLDER", description = "WAV files, also in folders below")
    private @Nullable Path folder;

    @Option(names = "--reference", paramLabel = "REF", description = "recording with the wanted sound")
    private @Nullable Path reference;

    @Option(names = "--di", paramLabel = "DI", description = "dry guitar")
    private @Nullable Path di;

    @Option(names = "--tone", paramLabel = "TONE.json", description = "what stands before the cabinet (default: nothing)")
    private @Nullable Path tone;

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        ImpulseFolder read = ImpulseFolder.read(Objects.requireNonNull(folder), Progress.NONE);
        read.skipped().forEach(s -> System.err.println("verisonus: left out " + s));
        boolean ranks = reference != null && di != null;
        if (ranks != (reference != null || di != null)) {
            throw new InputFault(String.valueOf(folder), "ranking needs a reference and a dry take",
                    "give both --reference and --di");
        }
        List<ImpulseRanking.Ranked> order = ranks
                ? new ImpulseRanking(AudioInput.read(Objects.requireNonNull(reference)),
                        AudioInput.read(Objects.requireNonNull(di)), tone())
                        .of(read.entries().stream().map(ImpulseFolder.Entry::character).toList())
                : IntStream.range(0, read.entries().size())
                        .mapToObj(i -> new ImpulseRanking.Ranked(i, Double.NaN, "")).toList();
        if (json.asked()) {
            json.print(document(read, order, ranks));
        } else {
            for (ImpulseRanking.Ranked r : order) {
                ImpulseFolder.Entry e = read.entries().get(r.index());
                System.out.printf("%s%-40s %s%n",
                        ranks ? Figures.of("%5.2f dB  ", r.leftDb()) : "", e.name(),
                        e.character().words() + (r.reason().isEmpty() ? "" : "; " + r.reason()));
            }
        }
        return 0;
    }

    private Tone tone() {
        return Optional.ofNullable(tone).map(ToneInput::tone)
                .orElse(new Tone("nothing", List.of()));
    }

    private static ObjectNode document(ImpulseFolder read, List<ImpulseRanking.Ranked> order, boolean ranks) {
        ObjectNode out = Json.object("verisonus.impulses/1");
        ArrayNode list = out.putArray("impulses");
        for (ImpulseRanking.Ranked r : order) {
            ImpulseFolder.Entry e = read.entries().get(r.index());
            ObjectNode n = list.addObject().put("file", e.name()).put("words", e.character().words());
            Json.put(n, "bright_db", e.character().brightDb(), 1);
            Json.put(n, "low_db", e.character().lowDb(), 1);
            Json.put(n, "resonance_hz", e.character().resonanceHz(), 0);
            Json.put(n, "resonance_db", e.character().resonanceDb(), 1);
            Json.put(n, "length_ms", e.character().lengthMs(), 1);
            if (ranks) {
                Json.put(n, "left_db", r.leftDb(), 2);
                n.put("reason", r.reason());
            } else {
                n.putNull("left_db").putNull("reason");
            }
        }
        ArrayNode skipped = out.putArray("skipped");
        read.skipped().forEach(skipped::add);
        return out;
    }
}
