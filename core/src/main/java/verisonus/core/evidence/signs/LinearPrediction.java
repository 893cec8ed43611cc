package verisonus.core.evidence.signs;

/** Whitens a signal by one linear predictor (autocorrelation method, Levinson-Durbin; J. Makhoul, Proc. IEEE 1975). */
public final class LinearPrediction {
    private LinearPrediction() {}

    /** The prediction error of the whole signal with one predictor of this order. */
    public static float[] residual(float[] x, int order) {
        double[] a = predictor(x, order);
        float[] out = new float[x.length];
        for (int i = 0; i < x.length; i++) {
            double sum = x[i];
            int n = Math.min(order, i);
            for (int j = 1; j <= n; j++) sum += a[j] * x[i - j];
            out[i] = (float) sum;
        }
        return out;
    }

    private static double[] predictor(float[] x, int order) {
        double[] r = new double[order + 1];
        for (int l = 0; l <= order; l++) {
            for (int i = l; i < x.length; i++) r[l] += (double) x[i] * x[i - l];
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
