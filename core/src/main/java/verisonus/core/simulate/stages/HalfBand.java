package verisonus.core.simulate.stages;

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
    private double[] sums = new double[0];

    /** @param taps of the phase that is no mere delay; even */
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
        if (sums.length < frames) sums = new double[frames];
        System.arraycopy(in, 0, line, n, frames);
        filter(line, 1, frames);
        for (int i = 0; i < frames; i++) {
            out[2 * i] = line[n + i - n / 2];
            out[2 * i + 1] = (float) sums[i];
        }
        System.arraycopy(line, frames, line, 0, n);
    }

    /** Twice {@code frames} samples in, {@code frames} out. */
    void down(float[] in, int frames, float[] out) {
        int n = taps.length;
        evens = roomFor(evens, n + frames);
        odds = roomFor(odds, n + frames);
        if (sums.length < frames) sums = new double[frames];
        for (int i = 0; i < frames; i++) {
            evens[n + i] = in[2 * i];
            odds[n + i] = in[2 * i + 1];
        }
        filter(odds, 0, frames);
        for (int i = 0; i < frames; i++) out[i] = 0.5f * (evens[n + i - n / 2] + (float) sums[i]);
        System.arraycopy(evens, frames, evens, 0, n);
        System.arraycopy(odds, frames, odds, 0, n);
    }

    /**
     * Filters from a place of {@code x} on into {@code sums}. Taps are alike from both ends. Tap by tap over the whole block rather
     * than sample by sample, and no two neighbours of one array in a loop, and sums of another type than what is summed: so the compiler
     * sees that it may work on many samples at a time.
     */
    private void filter(float[] x, int from, int frames) {
        int last = from + taps.length - 1;
        Arrays.fill(sums, 0, frames, 0);
        for (int k = 0; k < taps.length / 2; k++) addPair(x, from + k, last - k, frames, taps[k]);
    }

    private void addPair(float[] x, int a, int b, int frames, float tap) {
        double[] y = sums;
        for (int i = 0; i < frames; i++) y[i] += tap * (x[a + i] + x[b + i]);
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
