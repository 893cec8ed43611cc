package verisonus.core.sound;

import java.util.Arrays;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Changes the sampling rate by a polyphase windowed sinc (Kaiser window; J. O. Smith, "Digital Audio Resampling",
 * CCRMA). The pass band ends at {@value #PASS_SHARE} of the lower Nyquist frequency, images and aliases lie below
 * −100 dB; the output starts at the same instant as the input (no delay).
 */
public final class Resampler {
    static final double PASS_SHARE = 0.955;
    /** Inputs that are laid out at a time: what a core keeps near. */
    private static final int PIECE = 1 << 15;
    private static final int ZERO_CROSSINGS = 48;
    private static final double KAISER_BETA = 10.5;
    private static final Map<Long, Resampler> CACHE = new ConcurrentHashMap<>();

    private static final int QUICK_CROSSINGS = 14;
    private static final double QUICK_SHARE = 0.9;
    private static final double QUICK_BETA = 7;
    private static final Map<Long, Resampler> QUICK = new ConcurrentHashMap<>();

    private final int up;
    private final int down;
    private final int targetHz;
    private final int half;
    private final float[][] phases;

    private Resampler(int fromHz, int toHz, int crossings, double pass, double beta) {
        int g = gcd(fromHz, toHz);
        up = toHz / g;
        down = fromHz / g;
        targetHz = toHz;
        double cut = pass * Math.min(1.0, (double) toHz / fromHz);
        half = (int) Math.ceil(crossings / cut);
        phases = new float[up][];
        for (int p = 0; p < up; p++) phases[p] = kernel(p / (double) up, cut, beta);
    }

    /** The resampler between two rates; kept, since its table is worth keeping. */
    public static Resampler between(int fromHz, int toHz) {
        return CACHE.computeIfAbsent(((long) fromHz << 32) | toHz,
                _ -> new Resampler(fromHz, toHz, ZERO_CROSSINGS, PASS_SHARE, KAISER_BETA));
    }

    /**
     * A resampler with a third of the taps, for what is measured and not heard: its pass band ends at 0.8 of the lower Nyquist
     * frequency, images and aliases below that lie under −70 dB.
     */
    public static Resampler quick(int fromHz, int toHz) {
        return QUICK.computeIfAbsent(((long) fromHz << 32) | toHz,
                _ -> new Resampler(fromHz, toHz, QUICK_CROSSINGS, QUICK_SHARE, QUICK_BETA));
    }

    private float[] kernel(double fraction, double cut, double beta) {
        float[] k = new float[2 * half];
        double norm = bessel0(beta);
        double sum = 0;
        for (int i = 0; i < k.length; i++) {
            double t = i - (half - 1) - fraction;
            double u = t / half;
            double w = Math.abs(u) >= 1 ? 0 : bessel0(beta * Math.sqrt(1 - u * u)) / norm;
            double x = Math.PI * t * cut;
            double s = Math.abs(x) < 1e-9 ? 1 : Math.sin(x) / x;
            k[i] = (float) (cut * s * w);
            sum += k[i];
        }
        // Unit gain at 0 Hz in every phase, so that a steady level gains no ripple at the phase rate.
        for (int i = 0; i < k.length; i++) k[i] = (float) (k[i] / sum);
        return k;
    }

    /** Resamples all channels. */
    public Sound resample(Sound in) {
        float[][] out = new float[in.channels().length][];
        for (int c = 0; c < out.length; c++) out[c] = resample(in.channel(c));
        return new Sound(out, targetHz);
    }

    /** Resamples one channel to ⌈n·target/source⌉ samples. */
    public float[] resample(float[] x) {
        float[] y = new float[(int) (((long) x.length * up + down - 1) / down)];
        new Rows(x).resampleInto(y);
        return y;
    }

    /**
     * A piece of the input laid out in as many rows as outputs of one phase lie inputs apart: then a tap is a row times a number, added to
     * a row, and a machine does several values of that at a time. The sums are double so that it can: where what is written has another
     * type than what is read, the compiler knows that they do not overlap.
     */
    private final class Rows {
        private final float[] x;
        private final int before = (half + down - 1) / down;
        private final int length = Math.clamp(PIECE / down, 64, 1024);
        private final float[][] row = new float[down][before + length + (2 * half + down) / down + 1];
        private final double[] sum = new double[length];

        Rows(float[] x) {
            this.x = x;
        }

        void resampleInto(float[] y) {
            for (int from = 0; from < (y.length + up - 1) / up; from += length) {
                layOut(from);
                for (int p = 0; p < up; p++) {
                    int count = Math.min(length, (y.length - p + up - 1) / up - from);
                    if (count <= 0) continue;
                    long offset = (long) p * down;
                    add(phases[(int) (offset % up)], (int) (offset / up) - half + 1 + before * down, count);
                    for (int m = 0, i = p + from * up; m < count; m++, i += up) y[i] = (float) sum[m];
                }
            }
        }

        /** Largest size of what one phase makes of the frames from here on, at most as many as a piece holds. */
        float largest(float[] phase, int from, int count) {
            layOut(from);
            add(phase, before * down - half + 1, count);
            double most = 0;
            for (int m = 0; m < count; m++) most = Math.max(most, Math.abs(sum[m]));
            return (float) most;
        }

        private void layOut(int from) {
            for (int r = 0; r < down; r++) {
                long at = (from - before) * (long) down + r;
                for (int m = 0; m < row[r].length; m++, at += down)
                    row[r][m] = at >= 0 && at < x.length ? x[(int) at] : 0;
            }
        }

        private void add(float[] k, int first, int count) {
            Arrays.fill(sum, 0, count, 0);
            for (int j = 0; j < k.length; j += 2) {
                float one = k[j];
                float two = k[j + 1];
                float[] a = row[(first + j) % down];
                float[] b = row[(first + j + 1) % down];
                int i = (first + j) / down;
                int n = (first + j + 1) / down;
                for (int m = 0; m < count; m++) sum[m] += one * a[i + m] + two * b[n + m];
            }
        }
    }

    /** Largest size between these frames, at as many places between two of them as the rates are apart; only of whole ratios upwards. */
    float largest(float[] x, int from, int to) {
        float most = 0;
        Rows rows = new Rows(x);
        for (int at = from; at < to; at += rows.length) {
            for (float[] k : phases) most = Math.max(most, rows.largest(k, at, Math.min(rows.length, to - at)));
        }
        return most;
    }

    /** How many frames to either side count. */
    int reach() {
        return half;
    }

    /** No value between the frames is larger than this times the largest frame within reach. */
    double mostGain() {
        double most = 0;
        for (float[] k : phases) {
            double sum = 0;
            for (float v : k) sum += Math.abs(v);
            most = Math.max(most, sum);
        }
        return most;
    }

    private static int gcd(int a, int b) {
        return b == 0 ? a : gcd(b, a % b);
    }

    /** Modified Bessel function of order 0, by its power series. */
    private static double bessel0(double x) {
        double sum = 1;
        double term = 1;
        for (int k = 1; k < 60 && term > 1e-14 * sum; k++) {
            term *= (x / (2 * k)) * (x / (2 * k));
            sum += term;
        }
        return sum;
    }
}
