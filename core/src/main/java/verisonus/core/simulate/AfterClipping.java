package verisonus.core.simulate;

import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.simulate.loudspeaker.LoudspeakerCurve;
import verisonus.core.sound.Sound;

/**
 * What a block does to the level by frequency behind the last clipper: cabinet, microphone, equalizer, and of an amp all that follows
 * its power stage. The one place where that curve is known, so that search, tolerances and moves agree.
 */
public final class AfterClipping {
    private AfterClipping() {}

    /** Gain at a frequency, dB; 0 for a block of another kind. */
    public static double gainDb(Block block, double hz) {
        return switch (block.model().kind()) {
            case CABINET -> LoudspeakerCurve.cabinetDb(block, hz);
            case MICROPHONE -> LoudspeakerCurve.microphoneDb(block, hz);
            case EQUALIZER -> EqualizerCurve.gainDb(block, hz, Sound.WORKING_RATE_HZ);
            case AMP -> LoudspeakerCurve.ampDb(block, hz);
            case INPUT, GUITAR, GATE, COMPRESSOR, FILTER, DRIVE, MODULATION, ECHO, REVERB, LOOPER, UTILITY -> 0;
        };
    }

    /** Whether turning this control changes nothing but that curve; a level changes loudness alone and does not count. */
    public static boolean isCurve(Block block, String control) {
        return switch (block.model().kind()) {
            case CABINET, EQUALIZER, MICROPHONE -> !control.equals(ControlNames.LEVEL);
            case AMP -> switch (control) {
                case ControlNames.PRESENCE, ControlNames.TREBLE_CENTRE, ControlNames.TREBLE_CUT,
                        ControlNames.LOW_RESONANCE,
                        ControlNames.RESONANCE_CENTRE, ControlNames.LOWS_AFTER_CLIPPING,
                        ControlNames.HIGHS_AFTER_CLIPPING ->
                    true;
                default -> false;
            };
            case INPUT, GUITAR, GATE, COMPRESSOR, FILTER, DRIVE, MODULATION, ECHO, REVERB, LOOPER, UTILITY -> false;
        };
    }
}
