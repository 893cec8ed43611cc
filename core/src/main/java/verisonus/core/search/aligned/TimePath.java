package verisonus.core.search.aligned;

import verisonus.core.sound.Bands;
import verisonus.core.sound.Stft;

/**
 * Which moment of a record goes with each moment of a take that plays the same phrase: dynamic time warping within
 * {@value #REACH} frames of the time at which the take was laid (H. Sakoe and S. Chiba, "Dynamic programming algorithm optimization for
 * spoken word recognition", 1978), on the levels and rises of third octaves.
 *
 * @param recordFrame for each frame of the take the frame of the record, ascending; frames are {@value #HOP_S} s apart
 */
record TimePath(int[] recordFrame) {
    static final double HOP_S = 0.01;
    /** Hands that know a phrase are hardly ever further off, 0.15 s. */
    private static final int REACH = 15;
    private static final int SIZE = 1024;
    private static final Bands BANDS = Bands.thirds(100, 6000);
    /** So far under its own loudest moment a band is silent. */
    private static final double SILENT = 3e-4;
    private static final double MOST_DB = 15;
    /** A level counts half as much as a rise: strings ring otherwise, but are struck at the same time. */
    private static final double LEVEL_SHARE = 0.5;
    private static final int RISE_FRAMES = 2;
    private static final double MOST_RISE_DB = 12;
    /** What a step out of time costs, in the unit of the distance, so that nothing is moved for little. */
    private static final double STEP_COSTS = 1.5;
    private static final double OUTSIDE = 50;

    static TimePath of(float[] record, float[] take, int rateHz) {
        return between(features(record, rateHz), features(take, rateHz));
    }

    private static TimePath between(double[][] record, double[][] take) {
        int frames = take.length;
        int width = 2 * REACH + 1;
        double[] cost = new double[width];
        int[][] from = new int[frames][width];
        for (int t = 0; t < frames; t++) {
            double[] next = new double[width];
            for (int d = 0; d < width; d++) {
                int r = t + d - REACH;
                double here = r < 0 || r >= record.length ? OUTSIDE : distance(record[r], take[t]);
                int before = t == 0 ? d : cheapest(cost, d);
                from[t][d] = before;
                next[d] = here + (t == 0 ? 0 : cost[before] + (before == d ? 0 : STEP_COSTS));
            }
            cost = next;
        }
        int d = 0;
        for (int i = 1; i < width; i++) if (cost[i] < cost[d]) d = i;
        int[] out = new int[frames];
        for (int t = frames - 1; t >= 0; t--) {
            out[t] = Math.clamp(t + d - REACH, 0, Math.max(0, record.length - 1));
            d = from[t][d];
        }
        return new TimePath(out);
    }

    private static int cheapest(double[] cost, int d) {
        int best = d;
        double least = cost[d];
        for (int p = Math.max(0, d - 1); p <= Math.min(cost.length - 1, d + 1); p++) {
            if (p == d || cost[p] + STEP_COSTS >= least) continue;
            least = cost[p] + STEP_COSTS;
            best = p;
        }
        return best;
    }

    private static double distance(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) sum += Math.abs(a[i] - b[i]);
        return sum / a.length;
    }

    /** Level over each band's own mean and its rise, dB; frames by twice the bands. */
    private static double[][] features(float[] x, int rateHz) {
        float[][] power = new Stft(SIZE, (int) Math.round(HOP_S * rateHz)).power(x);
        Bands.Grouping grouping = BANDS.grouping(SIZE, rateHz);
        double[][] level = new double[power.length][];
        for (int t = 0; t < level.length; t++) level[t] = grouping.sum(power[t]);
        int bands = BANDS.count();
        for (int b = 0; b < bands; b++) {
            double top = 0;
            for (double[] l : level) top = Math.max(top, l[b]);
            double mean = 0;
            for (double[] l : level) {
                l[b] = 10 * Math.log10(l[b] + SILENT * top + 1e-20);
                mean += l[b] / level.length;
            }
            for (double[] l : level) l[b] -= mean;
        }
        double[][] out = new double[level.length][2 * bands];
        for (int t = 0; t < out.length; t++)
            for (int b = 0; b < bands; b++) {
                out[t][b] = LEVEL_SHARE * Math.clamp(level[t][b], -MOST_DB, MOST_DB);
                out[t][bands + b] = t < RISE_FRAMES
                        ? 0
                        : Math.clamp(level[t][b] - level[t - RISE_FRAMES][b], 0, MOST_RISE_DB);
            }
        return out;
    }
}
