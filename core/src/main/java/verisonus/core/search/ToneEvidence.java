package verisonus.core.search;

import java.util.Optional;
import verisonus.core.compare.EffectsAsSet;
import verisonus.core.compare.GapLedger;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.PairedExamination;
import verisonus.core.evidence.guided.ThroughOthers;
import verisonus.core.evidence.signs.Finding;
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
    /** Examines the reference; where others play with the guitar, what the take tells of it. */
    public static ToneEvidence of(MatchedTake laid, Progress progress) {
        Optional<Sound> take = laid.same() ? Optional.of(laid.sound()) : Optional.empty();
        Evidence alone = Examination.of(laid.reference(), Examination.Depth.STEADY, progress);
        Evidence wanted = ThroughOthers.covering(alone, laid.pairing()).orElseGet(() -> wanted(alone, laid, take));
        return new ToneEvidence(wanted, take, laid.pairing());
    }

    private static Evidence wanted(Evidence alone, MatchedTake laid, Optional<Sound> take) {
        return ThroughOthers.of(alone, laid.reference(), laid.sound(), laid.pairing())
                .map(t -> amongOthers(t.evidence()))
                .orElseGet(() -> take.map(t -> PairedExamination.effects(alone, laid.reference(), t)).orElse(alone));
    }

    /**
     * All that can be asked of the reference with the take. Dirt is as the recording alone shows it, for the tone's is read so too.
     */
    public static Evidence everything(MatchedTake laid, Progress progress) {
        Evidence alone = Examination.of(laid.reference(), progress);
        if (!laid.same()) return ThroughOthers.covering(alone, laid.pairing()).orElse(alone);
        return ThroughOthers.of(alone, laid.reference(), laid.sound(), laid.pairing())
                .map(t -> amongOthers(t.evidence()))
                .orElseGet(() -> PairedExamination.of(alone, laid.reference(), laid.sound()).evidence()
                        .saturated(alone.saturation()));
    }

    /** Halls and movements there may be theirs as well as the guitar's. */
    private static Evidence amongOthers(Evidence e) {
        String why = "others play with it";
        return e.with(e.echo(), Finding.unknown(why), Finding.unknown(why), e.saturation());
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
