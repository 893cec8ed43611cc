package verisonus.casebook.store;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import verisonus.core.compare.GapLedger;
import verisonus.core.derive.Alternative;
import verisonus.core.derive.Derivation;
import verisonus.core.derive.Tolerance;
import verisonus.core.rig.Tone;

/**
 * A tone with what is known about it.
 *
 * @param tone the settings
 * @param earlier the tone before this one, to show what moved
 * @param locked controls that keep their value, as "block id/control"
 * @param tolerances per control
 * @param alternatives other choices
 * @param gap what still differs
 * @param search how it was come by
 */
public record DerivedTone(Tone tone, Optional<Tone> earlier, Set<String> locked, List<Tolerance> tolerances,
        List<Alternative> alternatives, GapLedger gap, Search search) {
    /**
     * How a tone was searched for.
     *
     * @param diStartS where on the reference's time axis the DI begins, seconds
     */
    public record Search(String pairing, double seconds, long candidates, String stopped, double diStartS) {}

    public DerivedTone {
        locked = Set.copyOf(locked);
        tolerances = List.copyOf(tolerances);
        alternatives = List.copyOf(alternatives);
    }

    /**
     * What a search came to, after an earlier tone.
     *
     * @param regionFromS where in the reference the searched region begins
     */
    public static DerivedTone of(Derivation d, Optional<Tone> earlier, Set<String> locked, double regionFromS) {
        return new DerivedTone(d.tone(), earlier, locked, d.tolerances(), d.alternatives(), d.gap(),
                new Search(d.pairing().words(), d.seconds(), d.candidates(), d.stopped(), regionFromS + d.diStartS()));
    }

    public DerivedTone locking(Set<String> controls) {
        return new DerivedTone(tone, earlier, controls, tolerances, alternatives, gap, search);
    }

    /** The same search's result with settings changed by hand, measured anew. */
    public DerivedTone turned(Tone changed, GapLedger measured) {
        return new DerivedTone(changed, Optional.of(tone), locked, tolerances, alternatives, measured, search);
    }
}
