package verisonus.bench.check;

import java.util.function.DoubleUnaryOperator;

/** One plain transform (J. W. Cooley and J. W. Tukey, 1965) over all of a sound, in double precision, summed bin by bin between two edges. */
final class OwnSpectrum {
    private final double[] power;
    private final double binHz;

    OwnSpectrum(float[] x, int rateHz) {
        int n = Integer.highestOneBit(Math.max(2, x.length - 1)) * 2;
        double[] re = new double[n];
        double[] im = new double[n];
        for (int i = 0; i < x.length; i++) re[i] = x[i];
        transform(re, im);
        power = new double[n / 2];
        for (int k = 0; k < power.length; k++) power[k] = re[k] * re[k] + im[k] * im[k];
        binHz = (double) rateHz / n;
    }

    private static void transform(double[] re, double[] im) {
        int n = re.length;
        for (int i = 1, j = 0; i < n; i++) {
            int bit = n >> 1;
            for (; (j & bit) != 0; bit >>= 1) j ^= bit;
            j ^= bit;
            if (i < j) {
                double r = re[i];
                re[i] = re[j];
                re[j] = r;
                double m = im[i];
                im[i] = im[j];
                im[j] = m;
            }
        }
        for (int length = 2; length <= n; length <<= 1) {
            for (int from = 0; from < n; from += length) {
                for (int k = 0; k < length / 2; k++) {
                    double a = -2 * Math.PI * k / length;
                    int u = from + k;
                    int v = u + length / 2;
                    double r = re[v] * Math.cos(a) - im[v] * Math.sin(a);
                    double m = re[v] * Math.sin(a) + im[v] * Math.cos(a);
                    re[v] = re[u] - r;
                    im[v] = im[u] - m;
                    re[u] += r;
                    im[u] += m;
                }
            }
        }
    }

    /** Energy between two edges after a gain by frequency, dB. */
    double energy(double fromHz, double toHz, DoubleUnaryOperator gainDb) {
        double sum = 0;
        for (int k = (int) Math.ceil(fromHz / binHz); k * binHz < toHz && k < power.length; k++)
            sum += power[k] * Math.pow(10, gainDb.applyAsDouble(k * binHz) / 10);
        return sum;
    }
}
