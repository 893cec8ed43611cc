package verisonus.core.simulate;

import java.util.Arrays;

/**
 * Raises the rate for a nonlinear stage and brings it down again: linear-phase windowed-sinc filters, images and
 * aliases below −90 dB, pass band to 20 kHz at 48 kHz. Latency {@link #latency()} samples at the base rate.
 */
final class Oversampler {
    private static final int HALF = 32;
    private static final double CUT = 0.905;

    private final int factor;
    private final float[][] upPhases;
    private final float[] down;
    private float[] upLine;
    private float[] downLine;

    Oversampler(int factor) {
        this.factor = factor;
        int n = 2 * HALF * factor;
        float[] prototype = prototype(n, factor);
        upPhases = new float[factor][2 * HALF];
        down = new float[n];
        for (int i = 0; i < n; i++) {
            // Reversed, so that the newest sample meets the first coefficient at the line's end.
            down[n - 1 - i] = prototype[i];
            upPhases[i % factor][2 * HALF - 1 - i / factor] = prototype[i] * factor;
        }
        upLine = new float[2 * HALF];
        downLine = new float[n];
    }

    /** Windowed sinc (Blackman), unit gain at 0 Hz. */
    private static float[] prototype(int n, int factor) {
        float[] h = new float[n];
        double sum = 0;
        for (int i = 0; i < n; i++) {
            double t = (i - n / 2.0) / factor;
            double u = (i - n / 2.0) / (n / 2.0);
            double w = 0.42 + 0.5 * Math.cos(Math.PI * u) + 0.08 * Math.cos(2 * Math.PI * u);
            double x = Math.PI * CUT * t;
            h[i] = (float) ((Math.abs(x) < 1e-12 ? 1 : Math.sin(x) / x) * w);
            sum += h[i];
        }
        for (int i = 0; i < n; i++) h[i] = (float) (h[i] / sum);
        return h;
    }

    int factor() {
        return factor;
    }

    int latency() {
        return factor == 1 ? 0 : 2 * HALF;
    }

    /** {@code frames} samples in, {@code frames·factor} samples out. */
    void up(float[] in, int frames, float[] out) {
        if (factor == 1) {
            System.arraycopy(in, 0, out, 0, frames);
            return;
        }
        int keep = 2 * HALF - 1;
        upLine = roomFor(upLine, keep + frames);
        System.arraycopy(in, 0, upLine, keep, frames);
        for (int i = 0, o = 0; i < frames; i++) {
            for (int p = 0; p < factor; p++) out[o++] = dot(upPhases[p], upLine, i);
        }
        System.arraycopy(upLine, frames, upLine, 0, keep);
    }

    /** {@code frames·factor} samples in, {@code frames} samples out. */
    void down(float[] in, int frames, float[] out) {
        if (factor == 1) {
            System.arraycopy(in, 0, out, 0, frames);
            return;
        }
        int keep = down.length - 1;
        downLine = roomFor(downLine, keep + frames * factor);
        System.arraycopy(in, 0, downLine, keep, frames * factor);
        for (int i = 0; i < frames; i++) out[i] = dot(down, downLine, i * factor);
        System.arraycopy(downLine, frames * factor, downLine, 0, keep);
    }

    private static float[] roomFor(float[] line, int length) {
        return line.length >= length ? line : Arrays.copyOf(line, length);
    }

    /** Four sums side by side: one alone would wait for each addition to end. */
    private static float dot(float[] h, float[] line, int from) {
        float a = 0;
        float b = 0;
        float c = 0;
        float d = 0;
        for (int j = 0; j < h.length; j += 4) {
            a += h[j] * line[from + j];
            b += h[j + 1] * line[from + j + 1];
            c += h[j + 2] * line[from + j + 2];
            d += h[j + 3] * line[from + j + 3];
        }
        return a + b + c + d;
    }

    void reset() {
        Arrays.fill(upLine, 0);
        Arrays.fill(downLine, 0);
    }
}
