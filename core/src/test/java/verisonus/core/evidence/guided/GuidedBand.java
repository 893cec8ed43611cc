package verisonus.core.evidence.guided;

import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

/** A plucked guitar under one hand and another, and a bass line with strikes to put around it. */
final class GuidedBand {
    static final int RATE_HZ = LaidSpectra.RATE_HZ;
    static final Sound GUITAR = Signal.plucks(0.43, 21, 1).atDb(-10).atRate(RATE_HZ).lasting(6);
    static final Sound TAKE = Signal.plucks(0.43, 21, 5).atDb(-6).atRate(RATE_HZ).lasting(6);
    static final Sound COMPANY = Signal.of(t -> 0.4 * Math.sin(2 * Math.PI * 45 * t)
            + 0.3 * Math.sin(2 * Math.PI * 67 * Math.floor(t * 2) % 6.28 + 2 * Math.PI * 90 * t)
            + (t % 0.5 < 0.03 ? 0.8 * Math.sin(9000 * t * t % 6.28) : 0)).atDb(-6).atRate(RATE_HZ).lasting(6);

    private GuidedBand() {}

    /** The guitar at an angle between the sides, 0 left to π/2 right, the company in the middle. */
    static Sound aside(double angle) {
        float[] left = new float[GUITAR.frames()];
        float[] right = new float[GUITAR.frames()];
        for (int i = 0; i < left.length; i++) {
            left[i] = (float) (1.4 * Math.cos(angle) * GUITAR.mid()[i] + COMPANY.mid()[i]);
            right[i] = (float) (1.4 * Math.sin(angle) * GUITAR.mid()[i] + COMPANY.mid()[i]);
        }
        return Sound.stereo(left, right, RATE_HZ);
    }
}
