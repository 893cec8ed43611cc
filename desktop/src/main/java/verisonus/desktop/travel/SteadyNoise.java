package verisonus.desktop.travel;

import java.util.SplittableRandom;
import verisonus.core.sound.Sound;

/** Ten seconds of pink noise from 500 Hz to 2 kHz, as level meters are read with: three octaves of equal strength. */
final class SteadyNoise {
    private static final double LENGTH_S = 10;
    private static final double LEVEL = 0.1;
    private static final int PARTIALS = 400;

    private SteadyNoise() {}

    static Sound make() {
        int rate = Sound.WORKING_RATE_HZ;
        float[] x = new float[(int) (LENGTH_S * rate)];
        SplittableRandom random = new SplittableRandom(5);
        double scale = LEVEL / Math.sqrt(PARTIALS / 2.0);
        for (int p = 0; p < PARTIALS; p++) {
            // Equal steps on a logarithmic axis are pink; whole cycles in the length make it loop without a seam.
            double hz = Math.rint(500 * Math.pow(4, random.nextDouble()) * LENGTH_S) / LENGTH_S;
            double phase = 2 * Math.PI * random.nextDouble();
            double step = 2 * Math.PI * hz / rate;
            for (int i = 0; i < x.length; i++) x[i] += (float) (scale * Math.sin(phase + step * i));
        }
        return Sound.mono(x, rate);
    }
}
