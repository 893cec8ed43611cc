package verisonus.core.evidence.replay;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.work.Figures;

/**
 * Is there a space? Only where the replay rang and has fallen silent can a tail be told from strings that ring on: those cells are
 * explained with a tail and without, by least absolute error (R. Koenker, G. Bassett, "Regression quantiles", Econometrica 1978), and
 * the difference is judged by blocks of time. Output: decay in s, pre-delay in ms, energy of the tail against the dry sound in dB;
 * too few silent cells give an unknown. Known error: see the replay report in {@code bench}.
 */
final class ReplayReverb {
    private static final double[] DECAYS_S = {0.3, 0.45, 0.65, 0.95, 1.4, 2.0, 2.9};
    private static final int[] LATE_FRAMES = {0, 4, 8};
    private static final double LOWEST_HZ = 150;
    private static final double HIGHEST_HZ = 4200;
    private static final double SILENT_DB = 16;
    private static final double RANG_DB = 15;
    private static final double FALLS_S = 1.5;
    private static final int MOST_CELLS = 6000;
    private static final int FEWEST_CELLS = 800;
    private static final int ENOUGH_CELLS = 3000;
    private static final int BLOCKS = 8;

    private final DirectFit fit;
    private final double quantile;
    private final List<int[]> cells = new ArrayList<>();
    private final float[][] ridge;

    ReplayReverb(DirectFit fit, boolean company) {
        this.fit = fit;
        quantile = company ? 0.25 : 0.5;
        ridge = ridge();
        chooseCells();
    }

    /** The dry sound of the notes and their repeats, its loudest of 50 ms to either side. */
    private float[][] ridge() {
        float[][] out = new float[Channels.COUNT][fit.frames];
        for (int k = 0; k < Channels.COUNT; k++) {
            float[] d = dry(k);
            for (int t = 0; t < fit.frames; t++) {
                for (int s = Math.max(0, t - 5); s <= Math.min(fit.frames - 1, t + 5); s++)
                    out[k][t] = Math.max(out[k][t], d[s]);
            }
        }
        return out;
    }

    private float[] dry(int k) {
        double[] s = fit.share[Channels.BAND[k]];
        float[] out = new float[fit.frames];
        for (int t = 0; t < fit.frames; t++)
            out[t] = (float) (s[DirectFit.DIRECT] * fit.direct[k][t]) + fit.copies(k, t);
        return out;
    }

    private void chooseCells() {
        double fall = Math.pow(10, -6 / (FALLS_S * Channels.FRAMES_A_SECOND));
        List<int[]> all = new ArrayList<>();
        for (int k = 0; k < Channels.COUNT; k++) {
            if (Channels.CENTRE_HZ[k] < LOWEST_HZ || Channels.CENTRE_HZ[k] > HIGHEST_HZ) continue;
            double a = 0;
            for (int t = 0; t < fit.frames; t++) {
                a = Math.max(a * fall, ridge[k][t]);
                boolean silent = ridge[k][t] < a * Math.pow(10, -SILENT_DB / 10);
                boolean rang = a > fit.floor[k] * Math.pow(10, RANG_DB / 10);
                if (fit.asked[t] && silent && rang) all.add(new int[]{k, t});
            }
        }
        if (all.size() > MOST_CELLS) java.util.Collections.shuffle(all, new java.util.Random(1));
        cells.addAll(all.subList(0, Math.min(MOST_CELLS, all.size())));
    }

    int cells() {
        return cells.size();
    }

    /** How far the recording stands over the notes that rang, where they have stopped: by channel median, dB; empty where few. */
    OptionalDouble gapDb() {
        if (cells.size() < FEWEST_CELLS / 2) return OptionalDouble.empty();
        double fall = Math.pow(10, -6 / (FALLS_S * Channels.FRAMES_A_SECOND));
        float[][] peak = new float[Channels.COUNT][fit.frames];
        for (int k = 0; k < Channels.COUNT; k++) {
            double a = 0;
            for (int t = 0; t < fit.frames; t++) {
                a = Math.max(a * fall, ridge[k][t]);
                peak[k][t] = (float) a;
            }
        }
        double[] v = cells.stream()
                .mapToDouble(c -> 10 * Math.log10(fit.recording[c[0]][c[1]] / (peak[c[0]][c[1]] + 1e-20))).sorted()
                .toArray();
        return OptionalDouble.of(v[v.length / 2]);
    }

    /** Error of what explains a cell; 0 or more. */
    private double error(int cell, double explained) {
        int[] c = cells.get(cell);
        double e = Math.log(fit.recording[c[0]][c[1]] / (explained + fit.floor[c[0]]));
        return e >= 0 ? 2 * quantile * e : -2 * (1 - quantile) * e;
    }

    private double[] at(float[][] of) {
        return cells.stream().mapToDouble(c -> of[c[0]][c[1]]).toArray();
    }

    private record Best(double[] errors, double mean, double decayS, int late, double tailDb) {}

    Finding<ReverbReading> find() {
        if (cells.size() < FEWEST_CELLS)
            return Finding.unknown("no note is stopped for long enough to hear what rings after it");
        double[] dry = at(ridge);
        double[] release = at(released());
        Best without = better(new Best(new double[0], Double.MAX_VALUE, 0, 0, -99),
                new Explained(dry, release, new double[dry.length]), new double[]{0.5, 1, 2, 4},
                new double[]{0, 0.063, 0.25, 1}, new Tail(0, 0, -99));
        Best with = without;
        for (double decay : DECAYS_S) {
            for (int late : LATE_FRAMES) {
                double[] tail = at(tailOf(decay, late));
                for (double db = -34; db <= 0; db += 2) {
                    double[] scaled = scaled(tail, Math.pow(10, db / 10));
                    with = better(with, new Explained(dry, release, scaled), new double[]{0.5, 1, 2},
                            new double[]{0, 0.25}, new Tail(decay, late, db));
                }
            }
        }
        return judged(without, with);
    }

    private float[][] tailOf(double decay, int late) {
        float[][] tail = fit.tail(decay, late);
        for (int k = 0; k < Channels.COUNT; k++) {
            double s = fit.share[Channels.BAND[k]][DirectFit.DIRECT];
            for (int t = 0; t < fit.frames; t++) tail[k][t] *= (float) s;
        }
        return tail;
    }

    /** What a player's fingers leave: a tail of 0.18 s. */
    private float[][] released() {
        return tailOf(0.18, 0);
    }

    private static double[] scaled(double[] v, double by) {
        double[] out = new double[v.length];
        for (int i = 0; i < v.length; i++) out[i] = by * v[i];
        return out;
    }

    /** What strings, fingers and a tail leave in each cell. */
    private record Explained(double[] dry, double[] release, double[] tail) {}

    private record Tail(double decayS, int late, double db) {}

    /** The better of what was best so far and all sums of these. */
    private Best better(Best best, Explained x, double[] levels, double[] releases, Tail tail) {
        Best out = best;
        for (double a : levels) {
            for (double r : releases) {
                double mean = mean(x, a, r, out.mean);
                if (mean >= out.mean) continue;
                double[] errors = new double[x.dry.length];
                for (int i = 0; i < errors.length; i++)
                    errors[i] = error(i, a * x.dry[i] + r * x.release[i] + x.tail[i]);
                out = new Best(errors, mean, tail.decayS, tail.late, tail.db);
            }
        }
        return out;
    }

    /** Mean error; given up, and infinite, as soon as it is sure to be more than a bound. */
    private double mean(Explained x, double level, double release, double bound) {
        double most = bound * x.dry.length;
        double sum = 0;
        for (int i = 0; i < x.dry.length; i++) {
            sum += error(i, level * x.dry[i] + release * x.release[i] + x.tail[i]);
            if (sum >= most) return Double.POSITIVE_INFINITY;
        }
        return sum / x.dry.length;
    }

    private Finding<ReverbReading> judged(Best without, Best with) {
        double gain = without.mean - with.mean;
        double relative = gain / Math.max(1e-9, without.mean);
        double z = z(without, with);
        boolean sure = z >= 2.5 && relative >= 0.10 && gain >= 0.03;
        boolean likely = z >= 1.6 && relative >= 0.2 && gain >= 0.05;
        if (with.decayS > DECAYS_S[0] && (sure || likely)) {
            // Long loud tails are as often strings that ring on longer than the take's.
            double confidence = with.decayS >= 2 && with.tailDb >= -16 ? 0.4 : 0.8;
            return Finding.present(new ReverbReading(with.decayS, OptionalDouble.of(10.0 * with.late),
                    OptionalDouble.of(levelDb(with))), confidence,
                    Figures.of("where notes of the take have stopped, the recording rings on for about %.1f s",
                            with.decayS));
        }
        if (cells.size() >= ENOUGH_CELLS && relative < 0.02)
            return Finding.absent(0.85, "where notes have stopped, nothing rings on; a very short room would not show");
        return Finding.unknown("something may ring on after the notes, too faintly to be told from the playing");
    }

    /** Energy of the tail against the notes'. */
    private double levelDb(Best b) {
        float[][] tail = tailOf(b.decayS, b.late);
        double wet = 0;
        double dry = 1e-20;
        for (int k = 0; k < Channels.COUNT; k++) {
            double s = fit.share[Channels.BAND[k]][DirectFit.DIRECT];
            for (int t = 0; t < fit.frames; t++) {
                wet += tail[k][t];
                dry += s * fit.direct[k][t];
            }
        }
        return b.tailDb + 10 * Math.log10(wet / dry);
    }

    private double z(Best without, Best with) {
        double[] sum = new double[BLOCKS];
        int[] count = new int[BLOCKS];
        for (int i = 0; i < cells.size(); i++) {
            int b = Math.min(BLOCKS - 1, cells.get(i)[1] * BLOCKS / fit.frames);
            sum[b] += without.errors[i] - with.errors[i];
            count[b]++;
        }
        double[] mean = new double[BLOCKS];
        int n = 0;
        for (int b = 0; b < BLOCKS; b++) if (count[b] > 20) mean[n++] = sum[b] / count[b];
        if (n < 3) return 0;
        double average = Arrays.stream(mean, 0, n).average().orElse(0);
        double square = Arrays.stream(mean, 0, n).map(v -> (v - average) * (v - average)).sum() / (n - 1);
        return average / Math.sqrt(square / n + 1e-12);
    }

}
