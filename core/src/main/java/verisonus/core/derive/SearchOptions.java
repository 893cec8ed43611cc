package verisonus.core.derive;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import verisonus.core.evidence.Correction;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;

/**
 * How a tone is searched for.
 *
 * @param rig the gear that may be used
 * @param start where the search begins
 * @param order what is settled first
 * @param equalizing whether the equalizer may raise
 * @param earlier the tone to start from and to keep locked controls of
 * @param locked controls that keep their value in {@code earlier}, as "block id/control"
 * @param mostRenders budget; about 40 a second
 * @param seed of the random start
 * @param corrections what the player knows better than the measurement
 */
public record SearchOptions(Rig rig, Start start, Order order, Equalizing equalizing, Optional<Tone> earlier,
        Set<String> locked,
        int mostRenders, long seed, List<Correction> corrections) {
    /** Where the search begins. */
    public enum Start {
        NEUTRAL, NEAREST
    }

    /** Two schools and the middle way. */
    public enum Order {
        TOGETHER, CABINET_FIRST, GAIN_FIRST
    }

    /** Whether the equalizer may raise bands or only lower them. */
    public enum Equalizing {
        EITHER, CUT_FIRST
    }

    public SearchOptions {
        locked = Set.copyOf(locked);
        corrections = List.copyOf(corrections);
        if (mostRenders < 1) throw new IllegalArgumentException("budget of " + mostRenders + " renders");
    }

    /** Everything that can be simulated, from the middle, all together, 400 renders. */
    public static SearchOptions defaults() {
        return new SearchOptions(Rig.everything(), Start.NEUTRAL, Order.TOGETHER, Equalizing.EITHER, Optional.empty(),
                Set.of(), 400, 1, List.of());
    }

    public SearchOptions withRig(Rig newRig) {
        return new SearchOptions(newRig, start, order, equalizing, earlier, locked, mostRenders, seed, corrections);
    }

    public SearchOptions withSchool(Start newStart, Order newOrder, Equalizing newEqualizing) {
        return new SearchOptions(rig, newStart, newOrder, newEqualizing, earlier, locked, mostRenders, seed,
                corrections);
    }

    public SearchOptions keeping(Tone tone, Set<String> lockedControls) {
        return new SearchOptions(rig, start, order, equalizing, Optional.of(tone), lockedControls, mostRenders, seed,
                corrections);
    }

    public SearchOptions withBudget(int renders, long newSeed) {
        return new SearchOptions(rig, start, order, equalizing, earlier, locked, renders, newSeed, corrections);
    }

    public SearchOptions correctedBy(List<Correction> newCorrections) {
        return new SearchOptions(rig, start, order, equalizing, earlier, locked, mostRenders, seed, newCorrections);
    }
}
