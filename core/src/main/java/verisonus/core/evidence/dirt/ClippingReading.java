package verisonus.core.evidence.dirt;

import java.util.Arrays;
import verisonus.core.evidence.signs.RunningMean;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;

/**
 * How a clipper treats the wave.
 *
 * @param lopsidedDb how much further one side of the wave reaches than the other: even harmonics; 0 for a clipper that treats
 *     both alike
 * @param bassLeads −1 to 1: positive where the highs give way at the bass wave's peaks, as in a clipper that is fed much bass;
 *     near 0 or below where bass was taken off before it
 */
public record ClippingReading(double lopsidedDb, double bassLeads) {
    private static final int RATE_HZ = 16000;

    public static ClippingReading of(Sound sound) {
        float[] x = sound.atRate(RATE_HZ).mid();
        return new ClippingReading(lopsidedDb(x), bassLeads(x));
    }

    private static double lopsidedDb(float[] x) {
        float[] s = x.clone();
        Arrays.sort(s);
        double high = Math.max(1e-9, s[(int) (0.9995 * (s.length - 1))]);
        double low = Math.max(1e-9, -s[(int) (0.0005 * (s.length - 1))]);
        return Math.abs(20 * Math.log10(high / low));
    }

    /** Correlation, sign turned, of the low wave's size with the size of the highs, over what is loud. */
    private static double bassLeads(float[] x) {
        float[] low = x.clone();
        float[] high = x.clone();
        new Biquad.Section(Biquad.lowPass(250, 0.7071, RATE_HZ)).process(low, 0, low.length);
        new Biquad.Section(Biquad.highPass(1500, 0.7071, RATE_HZ)).process(high, 0, high.length);
        int hop = 8;
        int n = x.length / hop;
        double[] a = new double[n];
        double[] b = new double[n];
        double top = 0;
        for (int t = 0; t < n; t++) {
            for (int i = t * hop; i < (t + 1) * hop; i++) {
                a[t] += Math.abs(low[i]) / hop;
                b[t] += Math.abs(high[i]) / hop;
            }
            top = Math.max(top, b[t]);
        }
        // Levels over 30 ms are taken off: only what happens within the low wave counts.
        double[] slowA = RunningMean.of(a, 30);
        double[] slowB = RunningMean.of(b, 30);
        double xy = 0;
        double xx = 1e-12;
        double yy = 1e-12;
        for (int t = 0; t < n; t++) {
            if (slowB[t] < 0.03 * top) continue;
            double u = a[t] / (slowA[t] + 1e-9) - 1;
            double v = b[t] / (slowB[t] + 1e-9) - 1;
            xy += u * v;
            xx += u * u;
            yy += v * v;
        }
        return -xy / Math.sqrt(xx * yy);
    }

}
