package verisonus.core.sound;

import java.util.Arrays;

/** Level of the softest tenth of a sound, in frames of 50 ms: what lies under the playing where it pauses. */
public final class SoftestTenth {
    private SoftestTenth() {}

    /** @return dBFS */
    public static double db(float[] x, int rateHz) {
        int n = rateHz / 20;
        double[] level = new double[Math.max(1, x.length / n)];
        for (int f = 0; f < level.length; f++) {
            double sum = 1e-15;
            for (int i = f * n; i < Math.min(x.length, (f + 1) * n); i++) sum += (double) x[i] * x[i];
            level[f] = 10 * Math.log10(sum / n);
        }
        Arrays.sort(level);
        return level[level.length / 10];
    }
}
