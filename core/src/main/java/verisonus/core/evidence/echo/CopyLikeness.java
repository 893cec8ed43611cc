package verisonus.core.evidence.echo;

import java.util.Arrays;
import java.util.stream.IntStream;

/**
 * Is what sounds one lag later a copy of the sound, or something played again? An echo follows every sound at a
 * constant ratio below one; a played repeat follows at a ratio near none or near one. Looks at frames of 46 ms of the
 * whitened signal, the louder half of those that could have an echo.
 */
final class CopyLikeness {
    private static final double FRAME_S = 0.046;

    private final float[] x;
    private final int frame;

    /** @param whitened prediction error of the excerpt */
    CopyLikeness(float[] whitened, int rateHz) {
        this.x = whitened;
        this.frame = (int) (FRAME_S * rateHz);
    }

    /**
     * @param ratio median of the copy's amplitude against its source
     * @param lowRatio lower quartile of it
     * @param likeness mean correlation in the frames in which a copy would be heard alone
     * @param ratioSpread upper less lower quartile of the ratio
     * @param ratios ratio of each frame looked at, in time order
     * @param times middle of each of those frames, samples
     */
    record Comparison(double ratio, double lowRatio, double likeness, double ratioSpread, double[] ratios,
            double[] times) {}

    /** The verdict at the best lag within two samples. */
    Comparison at(int lag) {
        Comparison best = at(lag, 0);
        for (int d : new int[]{-2, -1, 1, 2}) {
            Comparison v = at(lag, d);
            if (v.likeness > best.likeness) best = v;
        }
        return best;
    }

    private Comparison at(int lag, int offset) {
        int shift = lag + offset;
        int n = (x.length - shift - frame) / (frame / 2);
        if (n < 8) return new Comparison(0, 0, 0, 0, new double[0], new double[0]);
        double[] aa = new double[n];
        double[] bb = new double[n];
        double[] ab = new double[n];
        for (int f = 0; f < n; f++) {
            int at = f * (frame / 2);
            for (int i = at; i < at + frame; i++) {
                aa[f] += x[i] * x[i];
                bb[f] += x[i + shift] * x[i + shift];
                ab[f] += x[i] * x[i + shift];
            }
        }
        double[] sorted = aa.clone();
        Arrays.sort(sorted);
        double loud = sorted[n / 2];
        int[] kept = IntStream.range(0, n).filter(f -> aa[f] >= loud && aa[f] > 0).toArray();
        double[] ratios = IntStream.of(kept).mapToDouble(f -> ab[f] / aa[f]).toArray();
        int[] visible = IntStream.of(kept).boxed()
                .sorted((p, q) -> Double.compare(aa[q] / (bb[q] + 1e-20), aa[p] / (bb[p] + 1e-20)))
                .limit(Math.max(3, Math.round(0.12 * kept.length))).mapToInt(Integer::intValue).toArray();
        double likeness = IntStream.of(visible).mapToDouble(f -> ab[f] / Math.sqrt(aa[f] * bb[f] + 1e-20)).average()
                .orElse(0);
        double[] order = ratios.clone();
        Arrays.sort(order);
        double[] times = IntStream.of(kept).mapToDouble(f -> f * (frame / 2.0) + frame / 2.0 + shift).toArray();
        return new Comparison(quantile(order, 0.5), quantile(order, 0.25), likeness,
                quantile(order, 0.75) - quantile(order, 0.25), ratios, times);
    }

    private static double quantile(double[] sorted, double q) {
        return sorted.length == 0 ? 0 : sorted[(int) (q * (sorted.length - 1))];
    }
}
