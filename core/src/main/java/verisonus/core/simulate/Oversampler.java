package verisonus.core.simulate;

import java.util.Arrays;

/**
 * Raises the rate for a nonlinear stage and brings it down again: linear-phase windowed-sinc filters, images and
 * aliases below −90 dB, pass band to 20 kHz at 48 kHz. Latency {@link #latency()} samples at the base rate.
 */
final class Oversampler {
    private static final int HALF = 32;

    private final int factor;
    private final float[][] upPhases;
    private final float[] down;
    private final float[] upHistory = new float[2 * HALF];
    private final float[] downHistory;
    private int upAt;
    private int downAt;

    Oversampler(int factor) {
        this.factor = factor;
        int n = 2 * HALF * factor;
        float[] prototype = new float[n];
        double sum = 0;
        double cut = 0.905;
        for (int i = 0; i < n; i++) {
            double t = (i - n / 2.0) / factor;
            double u = (i - n / 2.0) / (n / 2.0);
            double w = 0.42 + 0.5 * Math.cos(Math.PI * u) + 0.08 * Math.cos(2 * Math.PI * u);
            double x = Math.PI * cut * t;
            prototype[i] = (float) ((Math.abs(x) < 1e-12 ? 1 : Math.sin(x) / x) * w);
            sum += prototype[i];
        }
        upPhases = new float[factor][2 * HALF];
        down = new float[n];
        for (int i = 0; i < n; i++) {
            down[i] = (float) (prototype[i] / sum);
            upPhases[i % factor][i / factor] = (float) (prototype[i] / sum * factor);
        }
        downHistory = new float[n];
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
        for (int i = 0, o = 0; i < frames; i++) {
            upHistory[upAt] = in[i];
            for (int p = 0; p < factor; p++) out[o++] = dot(upPhases[p], upHistory, upAt);
            upAt = (upAt + 1) % upHistory.length;
        }
    }

    /** {@code frames·factor} samples in, {@code frames} samples out. */
    void down(float[] in, int frames, float[] out) {
        if (factor == 1) {
            System.arraycopy(in, 0, out, 0, frames);
            return;
        }
        for (int i = 0, k = 0; i < frames; i++) {
            for (int p = 0; p < factor; p++) {
                downHistory[downAt] = in[k++];
                if (p == 0) out[i] = dot(down, downHistory, downAt);
                downAt = (downAt + 1) % downHistory.length;
            }
        }
    }

    /** Σ h(j)·history(newest − j) on a ring. */
    private static float dot(float[] h, float[] ring, int newest) {
        float sum = 0;
        int j = 0;
        for (int at = newest; at >= 0; at--) sum += h[j++] * ring[at];
        for (int at = ring.length - 1; at > newest; at--) sum += h[j++] * ring[at];
        return sum;
    }

    void reset() {
        Arrays.fill(upHistory, 0);
        Arrays.fill(downHistory, 0);
    }
}
