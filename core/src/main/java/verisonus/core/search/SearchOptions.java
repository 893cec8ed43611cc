package verisonus.core.search;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.evidence.Correction;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;

/**
 * How a tone is searched for.
 *
 * @param rig the gear that may be used
 * @param school where practitioners differ
 * @param earlier the tone to start from and to keep locked controls of
 * @param locked controls that keep their value in {@code earlier}
 * @param mostRenders budget; about 60 a second on two cores
 * @param seed of the random start
 * @param corrections what the player knows better than the measurement
 * @param wishes what the player wants of the tone
 */
public record SearchOptions(Rig rig, School school, Optional<Tone> earlier, Locks locked, int mostRenders,
        long seed, List<Correction> corrections, Wishes wishes) {
    /** Where the search begins. */
    public enum Start {
        NEUTRAL,
        NEAREST
    }

    /** Two schools and the middle way. */
    public enum Order {
        TOGETHER,
        CABINET_FIRST,
        GAIN_FIRST
    }

    /** Whether the equalizer may raise bands or only lower them. */
    public enum Equalizing {
        EITHER,
        CUT_FIRST
    }

    /** Whether controls may go to their ends. */
    public enum Values {
        MODERATE,
        FREE
    }

    /** Whether the lows are the guitar's, or bass and kick need room there. */
    public enum Lows {
        GUITAR_ALONE,
        ROOM_FOR_BASS
    }

    /** What the take has been through, so that it does not go through it twice. */
    public enum Track {
        DRY,
        THROUGH_AMP,
        THROUGH_AMP_AND_CABINET
    }

    /** The ways in which practitioners differ. */
    public record School(Start start, Order order, Equalizing equalizing, Values values, Lows lows) {
        public static final School DEFAULT = new School(Start.NEUTRAL, Order.TOGETHER, Equalizing.EITHER,
                Values.FREE, Lows.GUITAR_ALONE);

        /** Start, order and equalizing; free values, the guitar alone. */
        public static School of(Start start, Order order, Equalizing equalizing) {
            return new School(start, order, equalizing, Values.FREE, Lows.GUITAR_ALONE);
        }
    }

    public SearchOptions {
        corrections = List.copyOf(corrections);
        if (mostRenders < 1) throw new IllegalArgumentException("budget of " + mostRenders + " renders");
    }

    /** Models of a kind that may be tried: owned, and not spoken against by an honoured claim. */
    List<Model> allowed(GearKind kind) {
        return rig.owned(kind).stream().filter(m -> wishes.allows(m, rig)).toList();
    }

    /** A kind without which nothing can be derived and of which the rig holds none; empty where all is there. */
    public Optional<GearKind> missing() {
        List<GearKind> needed = new ArrayList<>();
        if (wishes.track() == Track.DRY) needed.add(GearKind.AMP);
        boolean boxed = wishes.impulses().isEmpty() && !wishes.direct();
        if (boxed && wishes.track() != Track.THROUGH_AMP_AND_CABINET)
            needed.addAll(List.of(GearKind.CABINET, GearKind.MICROPHONE));
        return needed.stream()
                .filter(k -> rig.owned(k).stream().allMatch(m -> m.voice() == Voice.Cabinet.IMPULSE_RESPONSE))
                .findFirst();
    }

    /** Everything that can be simulated, from the middle, all together, 900 renders. */
    public static SearchOptions defaults() {
        return new SearchOptions(Rig.everything(), School.DEFAULT, Optional.empty(), Locks.NONE, 900, 1, List.of(),
                Wishes.NONE);
    }

    public SearchOptions withRig(Rig newRig) {
        return new SearchOptions(newRig, school, earlier, locked, mostRenders, seed, corrections, wishes);
    }

    public SearchOptions withSchool(School newSchool) {
        return new SearchOptions(rig, newSchool, earlier, locked, mostRenders, seed, corrections, wishes);
    }

    public SearchOptions keeping(Tone tone, Locks lockedControls) {
        return new SearchOptions(rig, school, Optional.of(tone), lockedControls, mostRenders, seed, corrections,
                wishes);
    }

    public SearchOptions withBudget(int renders, long newSeed) {
        return new SearchOptions(rig, school, earlier, locked, renders, newSeed, corrections, wishes);
    }

    public SearchOptions correctedBy(List<Correction> newCorrections) {
        return new SearchOptions(rig, school, earlier, locked, mostRenders, seed, newCorrections, wishes);
    }

    public SearchOptions wishing(Wishes newWishes) {
        return new SearchOptions(rig, school, earlier, locked, mostRenders, seed, corrections, newWishes);
    }
}
