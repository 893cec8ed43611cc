package verisonus.core.compare;

import verisonus.core.sound.Sound;

/**
 * How much of a phrase's ups and downs is left in a sound: depth of its envelope's modulation from 1 to 12 Hz against the mean,
 * as the modulation transfer of rooms is read (Houtgast and Steeneken 1973), on the whole sound instead of octaves.
 */
public final class Clarity {
    private static final double HOP_S = 0.02;
    private static final double LOW_HZ = 1;
    private static final double HIGH_HZ = 12.5;

    private Clarity() {}

    /** Depth of modulation; compare two sounds of the same playing. */
    public static double depth(Sound s) {
        float[] x = s.mid();
        int hop = (int) Math.round(HOP_S * s.rateHz());
        double[] energy = new double[x.length / hop];
        double mean = 1e-20;
        for (int t = 0; t < energy.length; t++) {
            for (int i = t * hop; i < (t + 1) * hop; i++) energy[t] += (double) x[i] * x[i];
            mean += energy[t] / energy.length;
        }
        double sum = 0;
        int n = energy.length;
        for (int k = 1; k < n / 2; k++) {
            double hz = k / (n * HOP_S);
            if (hz < LOW_HZ || hz > HIGH_HZ) continue;
            double re = 0;
            double im = 0;
            for (int t = 0; t < n; t++) {
                double a = 2 * Math.PI * k * t / n;
                re += energy[t] * Math.cos(a);
                im -= energy[t] * Math.sin(a);
            }
            sum += re * re + im * im;
        }
        return 2 * Math.sqrt(sum) / n / mean;
    }
}
