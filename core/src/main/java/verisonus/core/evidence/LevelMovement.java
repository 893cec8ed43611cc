package verisonus.core.evidence;

import java.util.Arrays;
import verisonus.core.sound.Stft;

/**
 * How the level moves between notes' beginnings, in five bands: together, and the lows against the highs.
 *
 * @param common mean slope of the bands, dB a second, every hop; NaN where a note begins or it is too soft
 * @param opposed slope of the lows less that of the highs, the same way
 * @param level broadband level, dB, without gaps
 */
record LevelMovement(double[] common, double[] opposed, double[] level) {
    static final int RATE_HZ = 22050;
    static final int HOP = 220;
    static final double HOP_S = (double) HOP / RATE_HZ;
    private static final int SIZE = 1024;
    private static final double[] EDGES_HZ = {100, 300, 600, 1200, 2400, 4800};
    private static final double RISE_DB_S = 250;
    private static final double MOST_DB_S = 150;
    private static final double SOFT_DB = 35;
    private static final int AROUND_RISE = 4;

    /** @param x mono at {@value #RATE_HZ} Hz */
    static LevelMovement of(float[] x) {
        double[][] bands = bandLevels(x);
        int n = bands.length;
        double[] level = new double[n];
        double top = -300;
        for (int t = 0; t < n; t++) {
            double sum = 0;
            for (double b : bands[t]) sum += Math.pow(10, b / 10);
            level[t] = 10 * Math.log10(sum);
            top = Math.max(top, level[t]);
        }
        boolean[] gap = gaps(level, top);
        double[] common = new double[n];
        double[] opposed = new double[n];
        for (int t = 0; t < n; t++) {
            if (t == 0 || t == n - 1 || gap[t]) {
                common[t] = Double.NaN;
                opposed[t] = Double.NaN;
                continue;
            }
            double[] slope = new double[5];
            for (int b = 0; b < 5; b++) {
                slope[b] = Math.clamp((bands[t + 1][b] - bands[t - 1][b]) / (2 * HOP_S), -MOST_DB_S, MOST_DB_S);
                common[t] += slope[b] / 5;
            }
            opposed[t] = (slope[0] + slope[1]) / 2 - (slope[3] + slope[4]) / 2;
        }
        return new LevelMovement(common, opposed, level);
    }

    private static boolean[] gaps(double[] level, double top) {
        boolean[] gap = new boolean[level.length];
        for (int t = 1; t + 1 < level.length; t++) {
            if (level[t] < top - SOFT_DB) gap[t] = true;
            if ((level[t + 1] - level[t - 1]) / (2 * HOP_S) > RISE_DB_S) {
                Arrays.fill(gap, Math.max(0, t - AROUND_RISE), Math.min(gap.length, t + AROUND_RISE + 1), true);
            }
        }
        return gap;
    }

    private static double[][] bandLevels(float[] x) {
        Stft stft = new Stft(SIZE, HOP);
        double[][] out = new double[stft.frames(x.length)][5];
        float[] buffer = new float[SIZE];
        float[] power = new float[SIZE / 2 + 1];
        double width = (double) RATE_HZ / SIZE;
        for (int t = 0; t < out.length; t++) {
            stft.frame(x, t, buffer, power);
            for (int b = 0; b < 5; b++) {
                double sum = 1e-12;
                for (int k = (int) Math.ceil(EDGES_HZ[b] / width); k < EDGES_HZ[b + 1] / width; k++) sum += power[k];
                out[t][b] = 10 * Math.log10(sum);
            }
        }
        return out;
    }
}
