package verisonus.core.evidence.replay;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Lays a replay under a recording note by note: each beginning is moved by up to 80 ms to where the channels of the recording rise,
 * all moves chosen together so that neighbours move alike (dynamic programming; A. Viterbi, 1967), frames between them stretched.
 *
 * @param powers of the replay by channel and frame, in the recording's time
 * @param starts first frame of each note in the recording's time, ascending
 * @param movesFrames how far each note was moved, frames
 */
record NoteWarp(float[][] powers, int[] starts, double[] movesFrames) {
    private static final int GLOBAL_REACH = 30;
    private static final int REACH = 8;
    private static final int RISE = 2;
    private static final double MOST_RISE = 4;
    private static final int BEFORE = 4;
    private static final int AFTER = 8;
    private static final int APART = 6;
    private static final double BEGINS = 0.25;
    private static final double PENALTY = 0.02;
    private static final double LOOSE_AFTER_FRAMES = 30;

    static NoteWarp of(float[][] recording, float[] floor, float[][] replay) {
        int frames = recording[0].length;
        float[][] a = flux(recording, floor);
        float[][] b = flux(replay, Channels.floors(replay));
        int global = globalShift(a, b);
        int[] onsets = onsets(b);
        double[] moves = moves(a, b, onsets, global);
        int[] starts = new int[onsets.length];
        for (int i = 0; i < starts.length; i++)
            starts[i] = Math.clamp(Math.round(onsets[i] + moves[i]), 0, Math.max(0, frames - 1));
        return new NoteWarp(warped(replay, onsets, moves, global, frames), ascending(starts), moves);
    }

    private static int[] ascending(int[] starts) {
        return Arrays.stream(starts).sorted().distinct().toArray();
    }

    /** Rise of the log power over 20 ms, 0 to {@value #MOST_RISE}. */
    private static float[][] flux(float[][] p, float[] floor) {
        float[][] out = new float[p.length][p[0].length];
        for (int k = 0; k < p.length; k++) {
            float[] log = new float[p[k].length];
            for (int t = 0; t < log.length; t++) log[t] = (float) Math.log(p[k][t] + floor[k]);
            for (int t = RISE; t < log.length; t++)
                out[k][t] = (float) Math.clamp(log[t] - log[t - RISE], 0, MOST_RISE);
        }
        return out;
    }

    private static int globalShift(float[][] a, float[][] b) {
        int best = 0;
        double most = -1;
        for (int s = -GLOBAL_REACH; s <= GLOBAL_REACH; s++) {
            double sum = 0;
            for (int k = 0; k < a.length; k++) sum += product(a[k], b[k], 0, b[k].length, s);
            if (sum > most) {
                most = sum;
                best = s;
            }
        }
        return best;
    }

    private static double product(float[] a, float[] b, int from, int to, int shift) {
        double sum = 0;
        int first = Math.max(Math.max(from, 0), -shift);
        int last = Math.min(Math.min(to, b.length), a.length - shift);
        for (int t = first; t < last; t++) sum += a[t + shift] * b[t];
        return sum;
    }

    private static int[] onsets(float[][] b) {
        int n = b[0].length;
        double[] sum = new double[n];
        for (float[] c : b) for (int t = 0; t < n; t++) sum[t] += c[t];
        double[] sorted = sum.clone();
        Arrays.sort(sorted);
        double limit = n == 0 ? 0 : BEGINS * sorted[(int) (0.99 * (n - 1))];
        List<Integer> out = new ArrayList<>();
        for (int t = 1; t + 1 < n; t++) {
            if (sum[t] < limit || sum[t] <= 0 || sum[t] < sum[t - 1] || sum[t] < sum[t + 1]) continue;
            if (!out.isEmpty() && t - out.getLast() < APART) {
                if (sum[t] > sum[out.getLast()]) out.set(out.size() - 1, t);
            } else {
                out.add(t);
            }
        }
        return out.stream().mapToInt(Integer::intValue).toArray();
    }

    private static double[] moves(float[][] a, float[][] b, int[] onsets, int global) {
        int n = onsets.length;
        int width = 2 * REACH + 1;
        double[][] like = new double[n][width];
        for (int i = 0; i < n; i++) {
            double most = 1e-9;
            for (int s = 0; s < width; s++) {
                for (int k = 0; k < a.length; k++)
                    like[i][s] += product(a[k], b[k], onsets[i] - BEFORE, onsets[i] + AFTER + 1, global + s - REACH);
                most = Math.max(most, like[i][s]);
            }
            for (int s = 0; s < width; s++) like[i][s] /= most;
        }
        int[] path = viterbi(like, onsets);
        double[] out = new double[n];
        for (int i = 0; i < n; i++) out[i] = global + path[i] - REACH + parabola(like[i], path[i]);
        return out;
    }

    private static int[] viterbi(double[][] like, int[] onsets) {
        int n = like.length;
        if (n == 0) return new int[0];
        int width = like[0].length;
        double[][] score = new double[n][];
        int[][] from = new int[n][width];
        score[0] = like[0].clone();
        for (int i = 1; i < n; i++) {
            score[i] = new double[width];
            double tie = PENALTY * Math.min(1, LOOSE_AFTER_FRAMES / Math.max(1, onsets[i] - onsets[i - 1]));
            for (int s = 0; s < width; s++) {
                double best = Double.NEGATIVE_INFINITY;
                for (int r = 0; r < width; r++) {
                    double v = score[i - 1][r] - tie * Math.abs(s - r);
                    if (v > best) {
                        best = v;
                        from[i][s] = r;
                    }
                }
                score[i][s] = best + like[i][s];
            }
        }
        int[] path = new int[n];
        for (int s = 1; s < width; s++) if (score[n - 1][s] > score[n - 1][path[n - 1]]) path[n - 1] = s;
        for (int i = n - 1; i > 0; i--) path[i - 1] = from[i][path[i]];
        return path;
    }

    private static double parabola(double[] v, int at) {
        if (at == 0 || at == v.length - 1) return 0;
        double curve = v[at - 1] - 2 * v[at] + v[at + 1];
        return curve >= -1e-9 ? 0 : Math.clamp(0.5 * (v[at - 1] - v[at + 1]) / curve, -0.5, 0.5);
    }

    /** Frame by frame from where the replay stands there, levels between frames taken in proportion. */
    private static float[][] warped(float[][] replay, int[] onsets, double[] moves, int global, int frames) {
        float[][] out = new float[replay.length][frames];
        int last = replay[0].length - 1;
        int i = -1;
        for (int t = 0; t < frames; t++) {
            while (i + 1 < onsets.length && onsets[i + 1] + moves[i + 1] <= t) i++;
            double at = source(t, onsets, moves, i, global);
            if (at < 0 || at > last) continue;
            int f = Math.min((int) at, last - 1);
            if (f < 0) continue;
            float u = (float) (at - f);
            for (int k = 0; k < replay.length; k++) out[k][t] = (1 - u) * replay[k][f] + u * replay[k][f + 1];
        }
        return out;
    }

    private static double source(int t, int[] onsets, double[] moves, int i, int global) {
        if (onsets.length == 0) return t - global;
        if (i < 0) return t - moves[0];
        if (i == onsets.length - 1) return t - moves[i];
        double from = onsets[i] + moves[i];
        double to = onsets[i + 1] + moves[i + 1];
        double share = to - from < 1e-6 ? 0 : (t - from) / (to - from);
        return onsets[i] + share * (onsets[i + 1] - onsets[i]);
    }
}
