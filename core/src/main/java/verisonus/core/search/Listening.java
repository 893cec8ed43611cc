package verisonus.core.search;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Future;
import java.util.stream.Stream;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.PairedExamination;
import verisonus.core.evidence.guided.GuidedReading;
import verisonus.core.evidence.guided.ThroughOthers;
import verisonus.core.evidence.movement.ModulationEstimator;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.sound.Sound;
import verisonus.core.take.Alignment;
import verisonus.core.take.Pairing;
import verisonus.core.take.SeenTake;
import verisonus.core.work.Parallel;
import verisonus.core.work.Progress;

/**
 * What a search knows before it searches: the take laid under the reference, what of the reference is the guitar's, and what that shows.
 *
 * @param alignment where the take lies
 * @param dry the take in time with the reference; as it is where it plays something else
 * @param wanted the guitar's sound, as far as it can be had, in one channel
 * @param first what the reference shows by itself
 * @param evidence the same with the take
 * @param through how the guitar was read through others that play with it; empty where it stands alone
 * @param laidByHand whether the player said where the take begins
 * @param covered whether others cover the guitar and the take is not of its phrase: nothing of the sound is known to be the guitar's
 */
record Listening(Alignment alignment, float[] dry, float[] wanted, Evidence first, Evidence evidence,
        Optional<GuidedReading> through, boolean laidByHand, boolean covered) {

    /**
     * Listens.
     *
     * @param reference and the take: at the working rate
     * @param laidS where the player says that the take begins, seconds; empty: looked for
     * @param known where it was found already
     */
    static Listening of(Sound reference, Sound di, SearchOptions options, OptionalDouble laidS,
            Optional<SeenTake> known, ExecutorService workers, Progress progress) {
        Future<Evidence> alone = workers
                .submit(() -> Examination.of(reference, Examination.Depth.STEADY, Progress.NONE));
        Future<Optional<Finding<ModulationReading>>> movement = workers
                .submit(() -> PairedExamination.movement(reference, di));
        SeenTake seen = known.orElseGet(() -> seen(reference, di, options, laidS));
        boolean same = seen.alignment().pairing().isSamePhrase();
        float[] dry = same ? seen.laid(di.mid(), Sound.WORKING_RATE_HZ) : di.mid();
        Evidence whole = Parallel.result(alone);
        Optional<ThroughOthers> among = among(whole, reference, dry, seen.alignment().pairing(), options, progress);
        Evidence first = among.map(ThroughOthers::evidence).orElse(whole);
        float[] wanted = among.map(t -> Arrays.copyOf(
                t.guitar().sound().atRate(Sound.WORKING_RATE_HZ).mid(), reference.frames())).orElseGet(reference::mid);
        Optional<Evidence> covered = ThroughOthers.covering(first, seen.alignment().pairing());
        Evidence evidence = covered.orElseGet(() -> same
                ? paired(first, reference, di, movement)
                : first.moving(ModulationEstimator.estimate(reference.withoutEmptySide(), first.tempo())));
        return new Listening(seen.alignment(), dry, wanted, covered.orElse(first),
                evidence.corrected(options.corrections()), among.map(t -> t.guitar().reading()), laidS.isPresent(),
                covered.isPresent());
    }

    /** Looks for the take. @param laidS where the player says that it begins, seconds; empty: looked for everywhere */
    static SeenTake seen(Sound reference, Sound di, SearchOptions options, OptionalDouble laidS) {
        if (options.wishes().standIn())
            return new SeenTake(new Alignment(Pairing.OTHER_PLAYING, 0, 0, false), reference.mid());
        return laidS.isPresent()
                ? SeenTake.told(reference, di.mid(), laidS.getAsDouble())
                : SeenTake.in(reference, di.mid());
    }

    private static Optional<ThroughOthers> among(Evidence whole, Sound reference, float[] dry, Pairing pairing,
            SearchOptions options, Progress progress) {
        if (options.wishes().track() != SearchOptions.Track.DRY || pairing != Pairing.PLAYED_AGAIN
                || !ThroughOthers.areThere(whole))
            return Optional.empty();
        progress.step(0.03, "taking the guitar out of what plays with it");
        return ThroughOthers.of(whole, reference, Sound.mono(dry, Sound.WORKING_RATE_HZ), pairing);
    }

    private static Evidence paired(Evidence steady, Sound reference, Sound di,
            Future<Optional<Finding<ModulationReading>>> movement) {
        // The recording's own word on movement is weighed with the take's, as where it is only measured.
        Evidence out = PairedExamination.of(steady, reference, di,
                () -> Parallel.result(movement).map(m -> ThroughOthers.areThere(steady)
                        ? m
                        : ModulationEstimator.estimate(reference.withoutEmptySide(), steady.tempo())
                                .weighedWith(m, PairedExamination.ALONE)))
                .evidence();
        // Through repeats the take does not show what sways.
        return out.echo().isPresent() ? asAlone(out, reference) : out;
    }

    /** Nothing but the recording itself is asked for movement. */
    private static Evidence asAlone(Evidence steady, Sound reference) {
        if (ThroughOthers.areThere(steady)) {
            String why = "others play with it, and repeats cover what the take would show";
            return steady.with(Finding.unknown(why), Finding.unknown(why), Finding.unknown(why), steady.saturation());
        }
        return steady.moving(ModulationEstimator.estimate(reference.withoutEmptySide(), steady.tempo()));
    }

    boolean same() {
        return alignment.pairing().isSamePhrase();
    }

    /** Where on the reference's time axis the take begins, seconds. */
    double diStartS() {
        return (double) alignment.offsetSamples() / Sound.WORKING_RATE_HZ;
    }

    /** The take, and what else of the phrase was played, each laid under the reference; what is no take of it is left out. */
    List<float[]> takes(Sound reference, List<Sound> more) {
        List<float[]> out = new ArrayList<>(List.of(dry));
        for (Sound s : more) {
            float[] x = s.atRate(Sound.WORKING_RATE_HZ).mid();
            SeenTake a = SeenTake.in(reference, x);
            if (a.alignment().pairing().isSamePhrase()) out.add(a.laid(x, Sound.WORKING_RATE_HZ));
        }
        return out;
    }

    /** What a guitar among others did not show. */
    List<String> unread() {
        if (covered) return List.of(Derivation.COLOUR, "dirt");
        if (through.isEmpty()) return List.of();
        return Stream.concat(Stream.of("dirt"), through.get().unread().map(w -> "colour " + w).stream()).toList();
    }

    /** How the take came to lie there and the guitar to be read, where that was not by itself; ends in a semicolon. */
    String words() {
        String laid = "";
        if (laidByHand) {
            laid = alignment.agrees()
                    ? "the take was laid by hand; "
                    : "the take was laid by hand, where no note of it begins with the record's: check the time; ";
        }
        if (covered) return laid + "others cover the guitar, so a usual tone was set up; ";
        return laid + (through.isPresent() ? "the guitar was read through others by the take; " : "");
    }
}
