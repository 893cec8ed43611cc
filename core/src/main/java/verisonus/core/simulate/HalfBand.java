package verisonus.core.simulate;

import java.util.Arrays;

/**
 * Doubles or halves a rate with a linear-phase half-band filter: every second coefficient is zero but the middle one, so one of
 * the two phases is a mere delay. Sinc under a Kaiser window. Later by {@link #latency()} samples of the lower rate, each way.
 */
final class HalfBand {
    private static final double BETA = 9;

    private final float[] taps;
    private float[] line;
    private float[] evens;
    private float[] odds;

    /** @param taps of the phase that is no mere delay; a multiple of four, or 14 */
    HalfBand(int taps) {
        this.taps = new float[taps];
        double sum = 0;
        for (int k = 0; k < taps; k++) {
            double offset = 2 * k + 1 - taps;
            double x = offset / taps;
            double v = Math.sin(Math.PI * offset / 2) / (Math.PI * offset) * bessel(BETA * Math.sqrt(1 - x * x));
            this.taps[k] = (float) v;
            sum += v;
        }
        for (int k = 0; k < taps; k++) this.taps[k] /= (float) sum;
        line = new float[taps];
        evens = new float[taps];
        odds = new float[taps];
    }

    /** Modified Bessel function of order zero. */
    private static double bessel(double x) {
        double sum = 1;
        double term = 1;
        for (int n = 1; n < 40; n++) {
            term *= x * x / (4.0 * n * n);
            sum += term;
        }
        return sum;
    }

    int latency() {
        return taps.length / 2;
    }

    /** {@code frames} samples in, twice as many out. */
    void up(float[] in, int frames, float[] out) {
        int n = taps.length;
        line = roomFor(line, n + frames);
        System.arraycopy(in, 0, line, n, frames);
        for (int i = 0; i < frames; i++) {
            out[2 * i] = line[n + i - n / 2];
            out[2 * i + 1] = dot(line, i + 1);
        }
        System.arraycopy(line, frames, line, 0, n);
    }

    /** Twice {@code frames} samples in, {@code frames} out. */
    void down(float[] in, int frames, float[] out) {
        int n = taps.length;
        evens = roomFor(evens, n + frames);
        odds = roomFor(odds, n + frames);
        for (int i = 0; i < frames; i++) {
            evens[n + i] = in[2 * i];
            odds[n + i] = in[2 * i + 1];
        }
        for (int i = 0; i < frames; i++) out[i] = 0.5f * (evens[n + i - n / 2] + dot(odds, i));
        System.arraycopy(evens, frames, evens, 0, n);
        System.arraycopy(odds, frames, odds, 0, n);
    }

    /** Taps are alike from both ends. Two sums side by side: one alone would wait for each addition to end. */
    private float dot(float[] x, int from) {
        float a = 0;
        float b = 0;
        int last = from + taps.length - 1;
        int half = taps.length / 2;
        for (int k = 0; k + 1 < half; k += 2) {
            a += taps[k] * (x[from + k] + x[last - k]);
            b += taps[k + 1] * (x[from + k + 1] + x[last - k - 1]);
        }
        if (half % 2 == 1) a += taps[half - 1] * (x[from + half - 1] + x[last - half + 1]);
        return a + b;
    }

    private static float[] roomFor(float[] line, int length) {
        return line.length >= length ? line : Arrays.copyOf(line, length);
    }

    void reset() {
        Arrays.fill(line, 0);
        Arrays.fill(evens, 0);
        Arrays.fill(odds, 0);
    }
}
