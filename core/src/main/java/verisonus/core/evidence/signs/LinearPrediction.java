package verisonus.core.evidence.signs;

import java.util.Arrays;

/** Whitens a signal by one linear predictor (autocorrelation method, Levinson-Durbin; J. Makhoul, Proc. IEEE 1975). */
public final class LinearPrediction {
    private static final int PIECE = 1024;

    private LinearPrediction() {}

    /** The prediction error of the whole signal with one predictor of this order. */
    public static float[] residual(float[] x, int order) {
        double[] a = predictor(x, order);
        float[] out = new float[x.length];
        double[] sum = new double[PIECE];
        for (int from = 0; from < x.length; from += PIECE) {
            int n = Math.min(PIECE, x.length - from);
            for (int i = 0; i < n; i++) sum[i] = x[from + i];
            for (int j = 1; j <= order; j++) {
                double tap = a[j];
                int first = Math.max(0, j - from);
                for (int i = first; i < n; i++) sum[i] += tap * x[from + i - j];
            }
            for (int i = 0; i < n; i++) out[from + i] = (float) sum[i];
        }
        return out;
    }

    private static double[] predictor(float[] x, int order) {
        double[] r = new double[order + 1];
        double[] sum = new double[PIECE];
        for (int l = 0; l <= order; l++) {
            // Sums side by side, one for each place in a piece: a single one would wait for each addition to end.
            Arrays.fill(sum, 0);
            for (int from = l; from < x.length; from += PIECE) {
                int n = Math.min(PIECE, x.length - from);
                for (int i = 0; i < n; i++) sum[i] += (double) x[from + i] * x[from + i - l];
            }
            for (double s : sum) r[l] += s;
        }
        double[] a = new double[order + 1];
        a[0] = 1;
        double error = r[0] * 1.000001 + 1e-12;
        for (int m = 1; m <= order; m++) {
            double acc = r[m];
            for (int j = 1; j < m; j++) acc += a[j] * r[m - j];
            double k = -acc / error;
            double[] next = a.clone();
            for (int j = 1; j < m; j++) next[j] = a[j] + k * a[m - j];
            next[m] = k;
            a = next;
            error *= 1 - k * k;
        }
        return a;
    }
}
