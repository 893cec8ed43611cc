package verisonus.core.sound;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/**
 * Changes the sampling rate by a polyphase windowed sinc (Kaiser window; J. O. Smith, "Digital Audio Resampling",
 * CCRMA). The pass band ends at {@value #PASS_SHARE} of the lower Nyquist frequency, images and aliases lie below
 * −100 dB; the output starts at the same instant as the input (no delay).
 */
public final class Resampler {
    static final double PASS_SHARE = 0.955;
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
        int n = (int) (((long) x.length * up + down - 1) / down);
        float[] y = new float[n];
        long at = 0;
        for (int i = 0; i < n; i++, at += down) {
            int centre = (int) (at / up);
            float[] k = phases[(int) (at % up)];
            int first = centre - half + 1;
            int from = Math.max(0, -first);
            int to = Math.min(k.length, x.length - first);
            y[i] = dot(k, from, to, x, first);
        }
        return y;
    }

    /** Largest size between these frames, at as many places between two of them as the rates are apart. */
    float largest(float[] x, int from, int to) {
        float most = 0;
        for (float[] k : phases) {
            for (int centre = from; centre < to; centre++) {
                int first = centre - half + 1;
                float y = dot(k, Math.max(0, -first), Math.min(k.length, x.length - first), x, first);
                most = Math.max(most, Math.abs(y));
            }
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

    /** Eight sums side by side: one alone would wait for each addition to end. */
    private static float dot(float[] k, int from, int to, float[] x, int first) {
        float a = 0;
        float b = 0;
        float c = 0;
        float d = 0;
        float e = 0;
        float f = 0;
        float g = 0;
        float h = 0;
        int j = from;
        for (; j + 7 < to; j += 8) {
            int i = first + j;
            a += k[j] * x[i];
            b += k[j + 1] * x[i + 1];
            c += k[j + 2] * x[i + 2];
            d += k[j + 3] * x[i + 3];
            e += k[j + 4] * x[i + 4];
            f += k[j + 5] * x[i + 5];
            g += k[j + 6] * x[i + 6];
            h += k[j + 7] * x[i + 7];
        }
        for (; j < to; j++) a += k[j] * x[first + j];
        return a + b + (c + d) + (e + f + (g + h));
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
