package verisonus.core.search;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.Verdict;
import verisonus.core.evidence.Evidence;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;

/**
 * What a search came to.
 *
 * @param tone the settings
 * @param pairing what the DI played
 * @param seconds how long it took
 * @param candidates tones tried: renders times the linear parts each was scored against
 * @param renders how many of them were rendered
 * @param tolerances per control, in chain order
 * @param ties controls that can be traded for each other, the closest first
 * @param alternatives other choices, nearest first
 * @param gap what still differs
 * @param reference what was measured in the reference
 * @param candidate what was measured in the render
 * @param render the DI through the tone, at the reference's loudness, in time with the reference
 * @param diStartS where in the reference the DI's first sample belongs, seconds; 0 for other playing
 * @param stopped why it ended
 * @param start the known tone that this one is nearest to
 * @param enough whether anything is left to gain
 * @param verdict how near it is, and what could not be told
 */
public record Derivation(Tone tone, Pairing pairing, double seconds, long candidates, int renders,
        List<Tolerance> tolerances, List<ControlTrade> ties, List<Alternative> alternatives, GapLedger gap,
        Evidence reference,
        Evidence candidate, Sound render,
        double diStartS, String stopped, Optional<StartingTone> start, StoppingPoint enough, Verdict verdict) {
    /** What a stand-in leaves unjudged. */
    public static final String OWN_GUITAR = "sound of your own guitar";

    /** Where nothing of the recording is known to be the guitar's, and the tone is a usual one. */
    public static final String COLOUR = "colour";

    public Derivation {
        tolerances = List.copyOf(tolerances);
        ties = List.copyOf(ties);
        alternatives = List.copyOf(alternatives);
    }

    /** Of a part of the reference that begins so much later, found in that time. */
    Derivation laterBy(double fromS, double inSeconds) {
        return new Derivation(tone, pairing, inSeconds, candidates, renders, tolerances, ties, alternatives, gap,
                reference, candidate, render, diStartS + fromS, stopped, start, enough, verdict);
    }

    /** The same where the take was a stand-in's: how the player's own guitar sounds through it nobody has heard yet. */
    public Derivation ofStandIn() {
        List<String> open = new ArrayList<>(List.of(OWN_GUITAR));
        open.addAll(verdict.unjudged());
        return new Derivation(tone, pairing, seconds, candidates, renders, tolerances, ties, alternatives, gap,
                reference,
                candidate, render, diStartS, stopped, start, enough, Verdict.of(gap, verdict.missing(), open));
    }
}
