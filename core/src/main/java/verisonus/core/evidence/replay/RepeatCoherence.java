package verisonus.core.evidence.replay;

import java.util.Arrays;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Sound;

/**
 * Where does a recording hold the same wave again? An echo brings the very wave back, a note played again does not. The whitened
 * recording is correlated, block by block, with its own past (generalised correlation; C. Knapp, G. Carter, IEEE TASSP 1976); what the
 * replay shows as well comes from the notes and is taken off.
 *
 * @param contrast by lag in ms, from 0: how far the correlation stands out of its surroundings
 * @param share by lag: part of the blocks in which it is among the highest tenth
 */
record RepeatCoherence(double[] contrast, double[] share) {
    static final int MOST_MS = 1260;
    private static final int RATE_HZ = 8000;
    private static final int PER_MS = RATE_HZ / 1000;
    private static final int BLOCK = 2736;
    private static final int SIZE = 16384;
    private static final double FROM_HZ = 120;
    private static final double TO_HZ = 3500;
    private static final double SMOOTH_HZ = 18;
    private static final double LEVEL_S = 0.1;
    /** So that one exact repetition cannot outweigh many weak ones. */
    private static final double MOST = 0.35;
    private static final int SWAY_MS = 5;
    private static final int AROUND_MS = 40;
    private static final int REPLAY_MS = 35;
    private static final double LEAST_SPREAD = 0.003;

    /** @param asked whether anything is asked at a time in seconds */
    static RepeatCoherence of(Sound recording, Sound replay, java.util.function.DoublePredicate asked) {
        Curves r = curves(white(recording.atRate(RATE_HZ).mid()), asked);
        Curves c = curves(white(replay.atRate(RATE_HZ).mid()), asked);
        double[] still = less(contrast(r.still), contrast(c.still));
        double[] swaying = less(contrast(r.swaying), contrast(c.swaying));
        double[] z = new double[MOST_MS];
        double[] share = new double[MOST_MS];
        for (int l = 0; l < MOST_MS; l++) {
            boolean steady = still[l] >= swaying[l];
            z[l] = steady ? still[l] : swaying[l];
            share[l] = Math.max(r.shareStill[l], r.shareSwaying[l]);
        }
        return new RepeatCoherence(z, share);
    }

    private record Curves(double[] still, double[] swaying, double[] shareStill, double[] shareSwaying) {}

    private static Curves curves(float[] x, java.util.function.DoublePredicate asked) {
        double[] still = new double[MOST_MS];
        double[] swaying = new double[MOST_MS];
        double[] highStill = new double[MOST_MS];
        double[] highSwaying = new double[MOST_MS];
        int reach = MOST_MS * PER_MS;
        RealFft fft = new RealFft(SIZE);
        int blocks = 0;
        for (int at = reach / 8; at + BLOCK <= x.length; at += BLOCK / 2) {
            if (!asked.test((double) at / RATE_HZ)) continue;
            double[] v = likeness(x, at, reach, fft);
            if (v.length == 0) continue;
            double[] w = widened(v);
            count(v, still, highStill);
            count(w, swaying, highSwaying);
            blocks++;
        }
        for (int l = 0; l < MOST_MS; l++) {
            double n = Math.max(1, blocks);
            still[l] /= n;
            swaying[l] /= n;
            highStill[l] /= n;
            highSwaying[l] /= n;
        }
        return new Curves(still, swaying, highStill, highSwaying);
    }

    private static void count(double[] v, double[] sum, double[] high) {
        double[] sorted = Arrays.copyOfRange(v, 50, v.length);
        Arrays.sort(sorted);
        double limit = sorted[(int) (0.9 * (sorted.length - 1))];
        for (int l = 0; l < v.length; l++) {
            sum[l] += v[l];
            if (v[l] > limit) high[l]++;
        }
    }

    /** Largest size of the correlation with what came before, by lag in ms; empty where the block is silent. */
    private static double[] likeness(float[] x, int at, int reach, RealFft fft) {
        float[] a = new float[SIZE];
        float[] b = new float[SIZE];
        double energy = 0;
        for (int i = 0; i < BLOCK; i++) {
            b[i] = x[at + i];
            energy += b[i] * b[i];
        }
        if (energy < 1e-9) return new double[0];
        int from = at - reach;
        double[] square = new double[reach + BLOCK + 1];
        for (int i = 0; i < reach + BLOCK; i++) {
            float v = from + i >= 0 ? x[from + i] : 0;
            a[i] = v;
            square[i + 1] = square[i] + v * v;
        }
        fft.forward(a);
        fft.forward(b);
        for (int k = 3; k < SIZE; k += 2) b[k] = -b[k];
        RealFft.multiply(a, b);
        fft.inverse(a);
        double[] out = new double[MOST_MS];
        for (int lag = 1; lag < reach; lag++) {
            int start = reach - lag;
            double past = square[start + BLOCK] - square[start];
            double c = Math.abs(a[start]) / Math.sqrt(energy * past + 1e-12);
            int ms = lag / PER_MS;
            out[ms] = Math.max(out[ms], Math.min(MOST, c));
        }
        return out;
    }

    private static double[] widened(double[] v) {
        double[] out = new double[v.length];
        for (int l = 0; l < v.length; l++) {
            for (int d = -SWAY_MS / 2; d <= SWAY_MS / 2; d++)
                out[l] = Math.max(out[l], v[Math.clamp(l + d, 0, v.length - 1)]);
        }
        return out;
    }

    private static double[] contrast(double[] v) {
        double[] off = new double[v.length];
        for (int l = 0; l < v.length; l++) off[l] = v[l] - median(v, l, AROUND_MS);
        double[] size = new double[v.length];
        for (int l = 0; l < v.length; l++) size[l] = Math.abs(off[l]);
        double[] out = new double[v.length];
        for (int l = 0; l < v.length; l++) out[l] = off[l] / (1.4826 * median(size, l, 4 * AROUND_MS) + LEAST_SPREAD);
        return out;
    }

    private static double median(double[] v, int at, int around) {
        double[] near = Arrays.copyOfRange(v, Math.max(0, at - around), Math.min(v.length, at + around + 1));
        Arrays.sort(near);
        return near[near.length / 2];
    }

    private static double[] less(double[] r, double[] c) {
        double[] out = new double[r.length];
        for (int l = 0; l < r.length; l++) {
            double same = 0;
            for (int d = Math.max(0, l - REPLAY_MS); d <= Math.min(c.length - 1, l + REPLAY_MS); d++)
                same = Math.max(same, c[d]);
            out[l] = r[l] - same;
        }
        return out;
    }

    /** Every frequency as strong as its neighbours, every moment as loud as its own. */
    private static float[] white(float[] x) {
        int size = RealFft.sizeFor(Math.max(x.length, SIZE));
        RealFft fft = new RealFft(size);
        float[] s = Arrays.copyOf(x, size);
        fft.forward(s);
        double bin = (double) RATE_HZ / size;
        double[] magnitude = new double[size / 2 + 1];
        for (int k = 1; k < size / 2; k++) magnitude[k] = Math.hypot(s[2 * k], s[2 * k + 1]);
        double[] sum = new double[magnitude.length + 1];
        for (int k = 0; k < magnitude.length; k++) sum[k + 1] = sum[k] + magnitude[k];
        int half = Math.max(1, (int) (SMOOTH_HZ / 2 / bin));
        for (int k = 1; k < size / 2; k++) {
            double hz = k * bin;
            int from = Math.max(0, k - half);
            int to = Math.min(magnitude.length, k + half + 1);
            double mean = (sum[to] - sum[from]) / (to - from);
            float g = hz < FROM_HZ || hz > TO_HZ ? 0 : (float) (1 / (mean + 1e-9));
            s[2 * k] *= g;
            s[2 * k + 1] *= g;
        }
        s[0] = 0;
        s[1] = 0;
        fft.inverse(s);
        return levelled(Arrays.copyOf(s, x.length), x);
    }

    private static float[] levelled(float[] w, float[] x) {
        int half = (int) (LEVEL_S * RATE_HZ / 2);
        double[] sum = new double[w.length + 1];
        double all = 0;
        for (int i = 0; i < w.length; i++) {
            sum[i + 1] = sum[i] + (double) w[i] * w[i];
            all += (double) x[i] * x[i];
        }
        double least = 1e-3 * sum[w.length] / Math.max(1, w.length);
        float[] out = new float[w.length];
        if (all <= 0) return out;
        for (int i = 0; i < w.length; i++) {
            int from = Math.max(0, i - half);
            int to = Math.min(w.length, i + half);
            out[i] = (float) (w[i] / Math.sqrt((sum[to] - sum[from]) / (to - from) + least + 1e-20));
        }
        return out;
    }
}
