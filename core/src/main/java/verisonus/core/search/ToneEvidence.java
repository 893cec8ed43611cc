package verisonus.core.search;

import java.util.Optional;
import verisonus.core.compare.GapLedger;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.PairedExamination;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.take.MatchedTake;
import verisonus.core.take.Pairing;
import verisonus.core.work.Progress;

/**
 * What a gap is made of, read the same way in reference and tone: space and movement by the take, where it plays in time with
 * both; alone they are too often not told.
 *
 * @param wanted what was found in the reference
 * @param take the dry take in time with it; empty where it plays something else
 * @param pairing what the take plays
 */
public record ToneEvidence(Evidence wanted, Optional<Sound> take, Pairing pairing) {
    /** Examines the reference. */
    public static ToneEvidence of(MatchedTake laid, Progress progress) {
        Optional<Sound> take = laid.same() ? Optional.of(laid.sound()) : Optional.empty();
        Evidence alone = Examination.of(laid.reference(), Examination.Depth.STEADY, progress);
        return new ToneEvidence(take.map(t -> PairedExamination.effects(alone, laid.reference(), t)).orElse(alone),
                take, laid.pairing());
    }

    /** Examines what a tone made of the take; the take is asked only where either side may have space or movement. */
    public Evidence heard(Tone tone, Sound played, Progress progress) {
        Evidence alone = Examination.of(played, Examination.Depth.TONE, progress);
        if (pairing == Pairing.PLAYED_AGAIN) return EffectsAsSet.in(alone, tone);
        boolean asked = wanted.reverb().isPresent() || wanted.modulation().isPresent()
                || tone.blocks().stream().anyMatch(b -> b.on() && isEffect(b.model().kind()));
        return take.filter(_ -> asked).map(t -> PairedExamination.effects(alone, played, t)).orElse(alone);
    }

    /** What differs; what the hand makes is not counted as the gear's. */
    public GapLedger gap(Evidence candidate) {
        return GapLedger.between(wanted, candidate, take.isPresent() ? pairing : Pairing.SAME_PERFORMANCE);
    }

    private static boolean isEffect(GearKind kind) {
        return kind == GearKind.REVERB || kind == GearKind.MODULATION;
    }
}
