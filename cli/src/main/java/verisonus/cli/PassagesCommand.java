package verisonus.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.RegionOptions;
import verisonus.core.evidence.guided.GuidedIsolation;
import verisonus.core.evidence.guided.GuidedParts;
import verisonus.core.evidence.guided.GuidedReading;
import verisonus.core.evidence.study.Course;
import verisonus.core.evidence.study.Isolation;
import verisonus.core.evidence.study.Passage;
import verisonus.core.evidence.study.PassageFinder;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.take.MatchedTake;

@Command(name = "passages", mixinStandardHelpOptions = true, description = "The passages of a recording worth studying, with their reasons; what of it is the guitar's.")
final class PassagesCommand extends CommonOptions implements Callable<Integer> {
    private static final double COURSE_STEP_S = 0.05;

    @Parameters(paramLabel = "AUDIO", description = "the recording")
    private @Nullable Path audio;

    @Option(names = "--di", paramLabel = "DI", description = "a take of the same phrase, which says what of the recording is the guitar's")
    private @Nullable Path di;

    @Option(names = "--di-at", paramLabel = "S", description = "where in the recording the take begins, seconds; where it is not found by itself")
    private @Nullable Double diAtS;

    @Option(names = "--listen", paramLabel = "OUT.wav", description = "writes what is taken for the guitar's")
    private @Nullable Path listen;

    @Mixin
    private final JsonOption json = new JsonOption();

    @Mixin
    private final ForceOption force = new ForceOption();

    @Override
    public Integer call() {
        Optional<OutputFile> out = Optional.ofNullable(listen).map(o -> force.to(o));
        out.ifPresent(OutputFile::check);
        Sound recording = AudioInput.read(Objects.requireNonNull(audio));
        Course course = Course.of(recording, (int) Math.max(50, recording.durationS() / COURSE_STEP_S));
        List<Passage> found = PassageFinder.in(course);
        Optional<MatchedTake> laid = laid(recording);
        boolean alone = found.stream().anyMatch(f -> f.purpose() == Passage.Purpose.CORE_TONE);
        out.ifPresent(o -> o.write(SoundWriter.encode(laid.map(l -> GuidedIsolation.of(l.reference(), l.sound()))
                .orElseGet(() -> Isolation.RINGING.of(recording)), SoundWriter.Format.WAV_24)));
        Optional<GuidedReading> through = laid.filter(_ -> !alone)
                .map(l -> GuidedReading.of(l.reference(), l.sound()));
        if (json.asked()) {
            ObjectNode doc = written(found, course);
            through.ifPresent(r -> read(doc.putArray("through_the_others"), r));
            json.print(doc);
        } else {
            if (!alone)
                System.out.println(through.map(PassagesCommand::words).orElse(
                        "the guitar never stands alone here: study it with a take of the same phrase (--di)"));
            for (Passage p : found)
                System.out.printf(Locale.ROOT, "%6.2f to %6.2f s  %-10s %s%n", p.fromS(), p.toS(), goodFor(p),
                        p.reason());
        }
        return 0;
    }

    /** The take laid under the recording; empty without one, or where it plays something else. */
    private Optional<MatchedTake> laid(Sound recording) {
        if (di == null) return Optional.empty();
        MatchedTake laid = MatchedTake.of(recording, AudioInput.read(di),
                RegionOptions.place(diAtS, 0));
        if (laid.same()) return Optional.of(laid);
        System.err.println(
                "verisonus: " + di + ": it plays something else, so that it cannot guide"
                        + (listen == null ? "" : "; what rings is taken"));
        return Optional.empty();
    }

    private static String words(GuidedReading read) {
        return "the guitar never stands alone here; through the others its colour can be read "
                + read.read().map(w -> "from " + w).orElse("nowhere, even with the take");
    }

    private static void read(ArrayNode bands, GuidedReading r) {
        double[] hz = GuidedParts.centresHz();
        for (int b = 0; b < hz.length; b++) {
            ObjectNode node = bands.addObject();
            Json.put(node, "hz", hz[b], 0);
            Json.put(node, "level_db", r.levelDb()[b], 1);
            Json.put(node, "off_db", r.offDb()[b], 1);
            node.put("readable", r.isReadable(b));
        }
    }

    private static String goodFor(Passage p) {
        return switch (p.purpose()) {
            case CORE_TONE -> "core tone";
            case ECHO_TAIL -> "echo tail";
            case NOISE -> "noise";
        };
    }

    private static ObjectNode written(List<Passage> found, Course course) {
        ObjectNode doc = Json.object("verisonus.passages/1");
        ArrayNode list = doc.putArray("passages");
        for (Passage p : found) {
            ObjectNode node = list.addObject();
            Json.put(node, "from_s", p.fromS(), 2);
            Json.put(node, "to_s", p.toS(), 2);
            node.put("good_for", goodFor(p));
            Json.put(node, "guitar_alone", alone(course, p), 2);
            node.put("reason", p.reason());
        }
        return doc;
    }

    private static double alone(Course c, Passage p) {
        int from = (int) (p.fromS() / c.stepS());
        int to = Math.min(c.alone().length, Math.max(from + 1, (int) (p.toS() / c.stepS())));
        double sum = 0;
        for (int t = from; t < to; t++) sum += c.alone()[t];
        return to > from ? sum / (to - from) : 0;
    }
}
