package verisonus.core.evidence.signs;

import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import verisonus.core.sound.RealFft;

/**
 * Real cepstrum of a whole excerpt, from a band of its spectrum only (B. P. Bogert, M. J. R. Healy, J. W. Tukey, "The
 * quefrency alanysis of time series for echoes", 1963). The log spectrum's mean over 30 Hz is taken off, so that
 * colour does not matter; an echo m·z^−T then reads m/2 at lag T, and m·z^−T/(1−f·z^−T) reads (2fm−m²)/4 at 2T.
 *
 * @param value by lag in samples
 * @param rateHz samples a second
 */
public record Cepstrum(float[] value, int rateHz) {
    /** Log magnitude spectrum of an excerpt, flattened, from which cepstra of several bands are made. */
    public static final class Source {
        private final double[] flat;
        private final int size;
        private final RealFft fft;
        private final int rateHz;
        private final Map<List<Double>, Cepstrum> made = new HashMap<>();

        public Source(float[] x, int rateHz) {
            this.rateHz = rateHz;
            this.size = RealFft.sizeFor(2 * x.length);
            fft = new RealFft(size);
            double[] work = new double[size];
            for (int i = 0; i < x.length; i++) work[i] = x[i];
            fft.forward(work);
            flat = flattened(logPower(work));
        }

        private double[] logPower(double[] spectrum) {
            double[] p = new double[size / 2 + 1];
            double mean = 0;
            for (int k = 1; k < size / 2; k++) {
                p[k] = spectrum[2 * k] * spectrum[2 * k] + spectrum[2 * k + 1] * spectrum[2 * k + 1];
                mean += p[k] / (size / 2);
            }
            for (int k = 0; k < p.length; k++) p[k] = 0.5 * Math.log(p[k] + 1e-6 * mean + 1e-30);
            return p;
        }

        private double[] flattened(double[] log) {
            int half = (int) Math.round(15.0 * size / rateHz);
            double[] sum = new double[log.length + 1];
            for (int k = 0; k < log.length; k++) sum[k + 1] = sum[k] + log[k];
            double[] out = new double[log.length];
            for (int k = 0; k < log.length; k++) {
                int from = Math.max(0, k - half);
                int to = Math.min(log.length, k + half + 1);
                out[k] = Math.clamp(log[k] - (sum[to] - sum[from]) / (to - from), -3, 3);
            }
            return out;
        }

        /** The cepstrum of a band; made once. */
        public Cepstrum band(double fromHz, double toHz) {
            return made.computeIfAbsent(List.of(fromHz, toHz), _ -> of(fromHz, toHz));
        }

        private Cepstrum of(double fromHz, double toHz) {
            int from = (int) Math.ceil(fromHz * size / rateHz);
            int to = (int) Math.min(size / 2.0 - 1, toHz * size / rateHz);
            float[] work = new float[size];
            for (int k = from; k <= to; k++) work[2 * k] = (float) flat[k];
            fft.inverse(work);
            float share = (to - from + 1f) / (size / 2f);
            int lags = Math.min(size / 2, (int) (4.2 * rateHz));
            float[] out = Arrays.copyOf(work, lags);
            for (int i = 0; i < lags; i++) out[i] /= share;
            return new Cepstrum(out, rateHz);
        }
    }

    /** Largest value within some samples of a lag, refined by a parabola. */
    public double peakNear(double lag, int reach) {
        int best = lagOfPeak(lag, reach);
        if (best < 1 || best + 1 >= value.length) return 0;
        double a = value[best - 1];
        double b = value[best];
        double c = value[best + 1];
        double curve = a - 2 * b + c;
        return curve >= 0 ? b : b - (a - c) * (a - c) / (8 * curve);
    }

    /** Value of largest size within some samples of a lag, with its sign. */
    public double extremeNear(double lag, int reach) {
        int at = (int) Math.round(lag);
        double best = 0;
        for (int i = Math.max(0, at - reach), to = Math.min(value.length - 1, at + reach); i <= to; i++) {
            if (Math.abs(value[i]) > Math.abs(best)) best = value[i];
        }
        return best;
    }

    /** Value of the curve at a lag between samples. */
    public double at(double lag) {
        int i = (int) Math.floor(lag);
        if (i < 0 || i + 1 >= value.length) return 0;
        double u = lag - i;
        return (1 - u) * value[i] + u * value[i + 1];
    }

    /** Lag of the peak near a lag, between samples. */
    public double refinedLag(double lag, int reach) {
        int best = lagOfPeak(lag, reach);
        if (best < 1 || best + 1 >= value.length) return lag;
        double a = value[best - 1];
        double b = value[best];
        double c = value[best + 1];
        double curve = a - 2 * b + c;
        return curve >= 0 ? best : best + 0.5 * (a - c) / curve;
    }

    private int lagOfPeak(double lag, int reach) {
        int best = (int) Math.round(lag);
        for (int i = Math.max(0, best - reach), to = Math.min(value.length - 1, best + reach); i <= to; i++) {
            if (value[i] > value[Math.min(best, value.length - 1)]) best = i;
        }
        return best;
    }
}
