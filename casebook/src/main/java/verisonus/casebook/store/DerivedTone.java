package verisonus.casebook.store;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import verisonus.core.advise.Sketch;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.Alternative;
import verisonus.core.search.Derivation;
import verisonus.core.search.StartingTone;
import verisonus.core.search.Tolerance;
import verisonus.core.take.Pairing;

/**
 * A tone with what is known about it.
 *
 * @param tone the settings
 * @param earlier the tone before this one, to show what moved
 * @param locked controls that keep their value
 * @param tolerances per control
 * @param alternatives other choices
 * @param gap what still differs
 * @param search how it was come by
 * @param remarks goal, ties, start, when to stop
 */
public record DerivedTone(Tone tone, Optional<Tone> earlier, Locks locked, List<Tolerance> tolerances,
        List<Alternative> alternatives, GapLedger gap, Search search, Remarks remarks) {
    /**
     * How a tone was searched for.
     *
     * @param diStartS where on the reference's time axis the DI begins, seconds
     */
    public record Search(Pairing pairing, double seconds, long candidates, String stopped, double diStartS) {}

    public DerivedTone {
        tolerances = List.copyOf(tolerances);
        alternatives = List.copyOf(alternatives);
    }

    /** Without remarks. */
    public DerivedTone(Tone tone, Optional<Tone> earlier, Locks locked, List<Tolerance> tolerances,
            List<Alternative> alternatives, GapLedger gap, Search search) {
        this(tone, earlier, locked, tolerances, alternatives, gap, search, Remarks.NONE);
    }

    /**
     * What a search came to, after an earlier tone.
     *
     * @param regionFromS where in the reference the searched region begins
     */
    public static DerivedTone of(Derivation d, Optional<Tone> earlier, Locks locked, double regionFromS) {
        return of(d, earlier, locked, regionFromS, Rig.everything(), Goal.EXACT);
    }

    /**
     * The same for a player.
     *
     * @param rig in whose scales it is said what was changed from the nearest known tone
     */
    public static DerivedTone of(Derivation d, Optional<Tone> earlier, Locks locked, double regionFromS,
            Rig rig, Goal goal) {
        Remarks remarks = new Remarks(goal, d.ties(), d.start().map(StartingTone::words).orElse(""),
                d.start().map(s -> s.changesIn(d.tone(), rig)).orElse(List.of()), d.enough().words(),
                d.verdict().missing(), d.verdict().unjudged(), Sketch.NONE);
        return new DerivedTone(d.tone(), earlier, locked, d.tolerances(), d.alternatives(), d.gap(),
                new Search(d.pairing(), d.seconds(), d.candidates(), d.stopped(), regionFromS + d.diStartS()),
                remarks);
    }

    /**
     * A tone that nobody searched for here, as out of a file; its gap is still to be measured.
     *
     * @param diStartS where on the reference's time axis the take begins, seconds
     */
    public static DerivedTone handed(Tone tone, Pairing pairing, double diStartS) {
        return new DerivedTone(tone, Optional.empty(), Locks.NONE, List.of(), List.of(), GapLedger.UNMEASURED,
                new Search(pairing, 0, 0, "", diStartS));
    }

    /** Whether nobody searched for it and nothing was there to hold it against. */
    public boolean isOwn() {
        return search.candidates() == 0 && !gap.isMeasured();
    }

    public DerivedTone locking(Locks controls) {
        return new DerivedTone(tone, earlier, controls, tolerances, alternatives, gap, search, remarks);
    }

    /** The same, with whether it is more than a sketch. */
    public DerivedTone sketched(Sketch sketch) {
        return new DerivedTone(tone, earlier, locked, tolerances, alternatives, gap, search, remarks.sketched(sketch));
    }

    public DerivedTone aiming(Goal goal) {
        return new DerivedTone(tone, earlier, locked, tolerances, alternatives, gap, search, remarks.aiming(goal));
    }

    /** With differences that are wanted. */
    public DerivedTone wanting(Set<GapAttribute> attributes) {
        return new DerivedTone(tone, earlier, locked, tolerances, alternatives, gap.wanting(attributes), search,
                remarks);
    }

    /** Effects of the record that do not stand in the tone as it is now. */
    public List<String> missing() {
        return remarks.missing().stream().filter(m -> tone.first(switch (m) {
            case "echo" -> GearKind.ECHO;
            case "space" -> GearKind.REVERB;
            default -> GearKind.MODULATION;
        }).filter(Block::on).isEmpty()).toList();
    }

    /** How many differences count as off for its goal. */
    public long off() {
        return gap.rows().stream().filter(r -> gap.counts(r) && r.audibility() >= remarks.goal().countsFromJnd())
                .count();
    }

    /** The same search's result with settings changed by hand, measured anew; what stands unexplained beside the notes stays known. */
    public DerivedTone turned(Tone changed, GapLedger measured) {
        return new DerivedTone(changed, Optional.of(tone), locked, tolerances, alternatives,
                measured.and(gap.rows().stream().filter(r -> r.attribute().isKnownFromTheSearch()
                        && measured.find(r.attribute()).isEmpty()).toList()).wanting(gap.wantedSo()),
                search, remarks.byHand());
    }
}
