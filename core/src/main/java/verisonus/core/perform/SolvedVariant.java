package verisonus.core.perform;

import java.util.List;
import java.util.Optional;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;

/**
 * A variant that was solved for a goal, rendered and read again.
 *
 * @param base the tone it belongs to: as it was, or with a volume at its end where nothing else could make it louder
 * @param variant what differs
 * @param before what the tone makes of the phrase
 * @param after what the variant makes of it
 * @param loudnessAt where its loudness is turned
 * @param dirtAt where its dirt is turned, if it is
 * @param amiss what of the goal could not be reached, in words; empty where all was
 */
public record SolvedVariant(Tone base, Variant variant, PlayedReading before, PlayedReading after,
        ControlPlace loudnessAt, Optional<ControlPlace> dirtAt, List<String> amiss) {
    public SolvedVariant {
        amiss = List.copyOf(amiss);
    }

    public Tone tone() {
        return variant.on(base);
    }
}
