package verisonus.cli;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
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
import verisonus.casebook.exchange.DerivationJson;
import verisonus.casebook.exchange.Json;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.RegionOptions;
import verisonus.cli.files.ToneInput;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.compare.Verdict;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.trial.Candidate;
import verisonus.core.trial.MatchedSounds;
import verisonus.core.trial.open.MomentGap;
import verisonus.core.trial.open.OnlyWhatDiffers;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

@Command(name = "compare", mixinStandardHelpOptions = true, description = "What differs between two recordings, most audible first.")
final class CompareCommand extends CommonOptions implements Callable<Integer> {
    private static final int MOST_MOMENTS = 5;

    @Parameters(index = "0", paramLabel = "REF", description = "the wanted sound")
    private @Nullable Path reference;

    @Parameters(index = "1", paramLabel = "CANDIDATE", description = "the sound to compare")
    private @Nullable Path candidate;

    @Mixin
    private RegionOptions regions = new RegionOptions();

    @Option(names = "--with", paramLabel = "FILE", description = "another candidate; may be given several times, the nearest is printed first")
    private List<Path> others = new ArrayList<>();

    @Option(names = "--moments", description = "where in the passage they differ most; for the same phrase beginning together")
    private boolean moments;

    @Option(names = "--only", paramLabel = "OUT.wav", description = "write only what the reference has and the candidate lacks, no louder than it is in the whole")
    private @Nullable Path only;

    @Mixin
    private final ForceOption force = new ForceOption();

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        Path first = Objects.requireNonNull(candidate);
        regions.withoutPlace();
        Optional<OutputFile> target = Optional.ofNullable(only).map(p -> force.to(p).besides(reference,
                first));
        target.ifPresent(OutputFile::check);
        Sound a = regions.reference(Objects.requireNonNull(reference)).atRate(Sound.WORKING_RATE_HZ);
        Sound b = regions.take(first).atRate(Sound.WORKING_RATE_HZ);
        // A late start is no difference of the sound.
        Sound heard = a.withoutSilentEnds();
        Evidence wanted = ToneInput.shared(workers -> Examination.of(heard, workers, Progress.NONE));
        Compared c = Compared.of(first, b.withoutSilentEnds(), heard, wanted);
        List<Compared> all = new ArrayList<>(List.of(c));
        for (Path p : others)
            all.add(Compared.of(p,
                    regions.take(p).atRate(Sound.WORKING_RATE_HZ).withoutSilentEnds(), heard, wanted));
        all.sort(Comparator.comparingDouble(x -> x.gap.distanceJnd()));
        List<MomentGap> where = List.of();
        if (moments || target.isPresent()) {
            MatchedSounds m = MatchedSounds.of(List.of(new Candidate("the reference", a), new Candidate(String.valueOf(
                    first), b)));
            if (moments) where = MomentGap.largest(m.first(), m.sound(1), MOST_MOMENTS);
            target.ifPresent(f -> write(f, OnlyWhatDiffers.of(m.first(), m.sound(1))));
        }
        if (json.asked()) {
            ObjectNode out = DerivationJson.gap(c.gap, c.verdict);
            if (!others.isEmpty()) {
                ArrayNode order = out.putArray("order");
                for (Compared x : all)
                    Json.put(order.addObject().put("file", x.file.toString()).put("verdict", x.verdict.words()),
                            "distance_jnd", x.gap.distanceJnd(), 2);
            }
            if (moments) put(out, where);
            json.print(out);
            return 0;
        }
        for (Compared x : all) {
            if (!others.isEmpty())
                System.out.printf(Locale.ROOT, "%s: %.1f JND in all%n", x.file, x.gap.distanceJnd());
            System.out.println(x.verdict.words());
            print(x.gap);
        }
        for (MomentGap m : where)
            System.out.printf(Locale.ROOT, "at %.1f s: %s%n", m.atS(), m.words("the reference", "the candidate"));
        return 0;
    }

    private static void write(OutputFile file, OnlyWhatDiffers d) {
        if (d.sound().peak() == 0)
            throw new InputFault(file.path().toString(), "the reference has nothing that the candidate lacks",
                    "give them the other way round");
        file.write(SoundWriter.encode(d.sound(), SoundWriter.Format.WAV_24));
        System.err.printf(Locale.ROOT, "verisonus: what is left lies %.1f LU under the whole%n", d.underWholeLu());
    }

    private static void put(ObjectNode out, List<MomentGap> where) {
        ArrayNode list = out.putArray("moments");
        for (MomentGap m : where) {
            ObjectNode one = list.addObject().put("band", m.band().words());
            Json.put(one, "at_s", m.atS(), 2);
            Json.put(one, "difference_db", m.differenceDb(), 1);
        }
    }

    /** One candidate against the reference. */
    private record Compared(Path file, GapLedger gap, Verdict verdict) {
        static Compared of(Path file, Sound sound, Sound reference, Evidence wanted) {
            // What is the same sample by sample needs no judging.
            if (Arrays.deepEquals(sound.channels(), reference.channels())) {
                GapLedger none = GapLedger.between(wanted, wanted);
                return new Compared(file, none, Verdict.of(none, List.of(), List.of()));
            }
            Evidence has = Examination.of(sound, Progress.NONE);
            GapLedger gap = GapLedger.between(wanted, has);
            return new Compared(file, gap, Verdict.between(wanted, has, gap));
        }
    }

    static void print(GapLedger gap) {
        gap.spectrumRmsDb().ifPresent(db -> System.out.printf(
                "spectrum %.1f dB RMS, largest difference of the gear %.1f JND%n", db, gap.scoreJnd()));
        for (GapRow r : gap.rows()) {
            String what = r.audibility() < 1 ? "below hearing" : r.advice();
            System.out.printf("%5.1f JND  %-22s %8.2f -> %8.2f %-11s %s%n", r.audibility(), r.attribute().words(),
                    r.reference(), r.candidate(), r.unit(), what);
        }
    }
}
