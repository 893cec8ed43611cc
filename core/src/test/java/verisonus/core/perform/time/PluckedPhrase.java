package verisonus.core.perform.time;

import java.util.SplittableRandom;
import verisonus.core.sound.Sound;

/** Notes that begin when they are told to. */
public final class PluckedPhrase {
    private static final int RATE = 48000;

    private PluckedPhrase() {}

    /** Plucked strings (K. Karplus and A. Strong 1983) at these times; each rings on under the next. */
    public static Sound at(double[] timesS, double lengthS) {
        float[] out = new float[(int) (lengthS * RATE)];
        int[] scale = {0, 3, 5, 7, 10, 12};
        SplittableRandom r = new SplittableRandom(5);
        for (int n = 0; n < timesS.length; n++) {
            double hz = 110 * Math.pow(2, scale[(n * 5) % scale.length] / 12.0);
            double force = 0.15 + 0.1 * ((n * 7) % 5) / 5.0;
            int from = (int) Math.round(timesS[n] * RATE);
            float[] loop = new float[(int) Math.round(RATE / hz)];
            float last = 0;
            for (int i = 0; i < loop.length; i++) {
                // A plectrum is no white noise: a pole at a few kilohertz.
                last = (float) (0.6 * last + 0.4 * force * (2 * r.nextDouble() - 1) * 2);
                loop[i] = last;
            }
            for (int i = from; i < out.length; i++) {
                int k = (i - from) % loop.length;
                out[i] += loop[k];
                loop[k] = (float) (0.997 * 0.5 * (loop[k] + loop[(k + 1) % loop.length]));
            }
        }
        return Sound.mono(out, RATE);
    }

    /** Times on the sixteenths of a beat, late or early by up to this much, every note the same for the same seed. */
    public static double[] sixteenths(double bpm, int[] steps, double offMs, long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        double[] out = new double[steps.length];
        for (int i = 0; i < out.length; i++)
            out[i] = 0.1 + steps[i] * 15 / bpm + offMs / 1000 * (2 * r.nextDouble() - 1);
        return out;
    }
}
