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
    /** Energy of the signal before each sample, so that a frame's is a difference. */
    private final double[] energyBefore;

    /** @param whitened prediction error of the excerpt */
    CopyLikeness(float[] whitened, int rateHz) {
        this.x = whitened;
        this.frame = (int) (FRAME_S * rateHz);
        energyBefore = new double[x.length + 1];
        for (int i = 0; i < x.length; i++) energyBefore[i + 1] = energyBefore[i] + x[i] * x[i];
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
        int hops = frames(lag);
        if (hops < 8) return new Comparison(0, 0, 0, 0, new double[0], new double[0]);
        int[] loud = louderHalf(hops);
        Shifted best = new Shifted(lag, loud);
        for (int d : new int[]{-2, -1, 1, 2}) {
            if (frames(lag + d) != hops) loud = louderHalf(hops = frames(lag + d));
            if (hops < 8) break;
            Shifted v = new Shifted(lag + d, loud);
            if (v.likeness > best.likeness) best = v;
        }
        return best.comparison();
    }

    private int frames(int lag) {
        return (x.length - lag - frame) / (frame / 2);
    }

    private double energy(int at) {
        return energyBefore[at + frame] - energyBefore[at];
    }

    /** The louder half of the frames that could have an echo. */
    private int[] louderHalf(int hops) {
        double[] sorted = IntStream.range(0, hops).mapToDouble(f -> energy(f * (frame / 2))).sorted().toArray();
        double loud = sorted[hops / 2];
        return IntStream.range(0, hops).filter(f -> energy(f * (frame / 2)) >= loud && energy(f * (frame / 2)) > 0)
                .toArray();
    }

    /** The loud frames against what sounds one lag later. */
    private final class Shifted {
        private final int lag;
        private final int[] loud;
        private final double[] ratios;
        private final double likeness;

        Shifted(int lag, int[] loud) {
            this.lag = lag;
            this.loud = loud;
            ratios = new double[loud.length];
            double[] alike = new double[loud.length];
            double[] alone = new double[loud.length];
            for (int i = 0; i < loud.length; i++) {
                int at = loud[i] * (frame / 2);
                double ab = product(at, lag);
                double aa = energy(at);
                double bb = energy(at + lag);
                ratios[i] = ab / aa;
                alike[i] = ab / Math.sqrt(aa * bb + 1e-20);
                alone[i] = aa / (bb + 1e-20);
            }
            // Where little sounds one lag later, a copy would be heard alone.
            int visible = (int) Math.min(loud.length, Math.max(3, Math.round(0.12 * loud.length)));
            double[] order = alone.clone();
            Arrays.sort(order);
            double least = order[loud.length - visible];
            double sum = 0;
            int counted = 0;
            for (int i = 0; i < loud.length && counted < visible; i++) {
                if (alone[i] < least) continue;
                sum += alike[i];
                counted++;
            }
            likeness = sum / counted;
        }

        Comparison comparison() {
            double[] order = ratios.clone();
            Arrays.sort(order);
            double[] times = IntStream.of(loud).mapToDouble(f -> f * (frame / 2.0) + frame / 2.0 + lag).toArray();
            return new Comparison(quantile(order, 0.5), quantile(order, 0.25), likeness,
                    quantile(order, 0.75) - quantile(order, 0.25), ratios, times);
        }
    }

    /** Sum of products of a frame with what sounds one lag later; four sums side by side. */
    private double product(int at, int lag) {
        double a = 0;
        double b = 0;
        double c = 0;
        double d = 0;
        int i = at;
        int to = at + frame;
        for (; i + 3 < to; i += 4) {
            a += x[i] * x[i + lag];
            b += x[i + 1] * x[i + 1 + lag];
            c += x[i + 2] * x[i + 2 + lag];
            d += x[i + 3] * x[i + 3 + lag];
        }
        for (; i < to; i++) a += x[i] * x[i + lag];
        return a + b + (c + d);
    }

    private static double quantile(double[] sorted, double q) {
        return sorted.length == 0 ? 0 : sorted[(int) (q * (sorted.length - 1))];
    }
}
