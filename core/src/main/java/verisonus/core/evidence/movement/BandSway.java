package verisonus.core.evidence.movement;

import java.util.Arrays;
import java.util.Optional;
import java.util.stream.IntStream;
import verisonus.core.evidence.signs.BandLevels;

/**
 * The rate at which all bands sway, each in a phase of its own, as a moving comb makes them: shares of sines fitted to each
 * band are added over bands, a rate together with its double.
 *
 * @param rateHz of the best
 * @param share mean share of a band's variance that it explains
 * @param prominence that share against the median of all rates
 */
record BandSway(double rateHz, double share, double prominence) {
    /** @param slopes by hop and band, less what all bands have in common; rows where there is a gap are left out */
    static BandSway of(double[][] slopes, boolean[] gap, double fromHz, double toHz) {
        Optional<Shares> shares = Shares.of(slopes, gap);
        if (shares.isEmpty()) return new BandSway(0, 0, 1);
        double step = 0.3 / (slopes.length * BandLevels.HOP_S);
        int rates = (int) ((2 * toHz - fromHz) / step);
        double[] share = new double[rates];
        for (int r = 0; r < rates; r++) share[r] = shares.get().at(fromHz + r * step);
        int best = 0;
        double bestScore = -1;
        int usable = (int) ((toHz - fromHz) / step);
        double[] scores = new double[usable];
        for (int r = 0; r < usable; r++) {
            int twice = (int) Math.round((2 * (fromHz + r * step) - fromHz) / step);
            scores[r] = share[r] + 0.5 * share[Math.min(rates - 1, twice)];
            if (scores[r] > bestScore) {
                bestScore = scores[r];
                best = r;
            }
        }
        Arrays.sort(scores);
        return new BandSway(fromHz + best * step, share[best], bestScore / (scores[usable / 2] + 1e-9));
    }

    /** Share of the bands' variance that a sine of a rate, in each band with a phase of its own, explains. */
    record Shares(double[][] y, double[] variance, int[] kept) {
        /** Empty where too little is left between the gaps. */
        static Optional<Shares> of(double[][] slopes, boolean[] gap) {
            int bands = slopes.length == 0 ? 0 : slopes[0].length;
            int[] kept = IntStream.range(0, slopes.length).filter(t -> !gap[t]).toArray();
            if (kept.length < 60) return Optional.empty();
            double[][] y = new double[bands][kept.length];
            double[] variance = new double[bands];
            for (int b = 0; b < bands; b++) {
                double mean = 0;
                for (int t : kept) mean += slopes[t][b] / kept.length;
                for (int i = 0; i < kept.length; i++) {
                    y[b][i] = slopes[kept[i]][b] - mean;
                    variance[b] += y[b][i] * y[b][i] + 1e-9;
                }
            }
            return Optional.of(new Shares(y, variance, kept));
        }

        double at(double hz) {
            double[] c = new double[kept.length];
            double[] s = new double[kept.length];
            double cc = 1e-9;
            double ss = 1e-9;
            double cs = 0;
            for (int i = 0; i < kept.length; i++) {
                double a = 2 * Math.PI * hz * kept[i] * BandLevels.HOP_S;
                c[i] = Math.cos(a);
                s[i] = Math.sin(a);
                cc += c[i] * c[i];
                ss += s[i] * s[i];
                cs += c[i] * s[i];
            }
            double det = cc * ss - cs * cs;
            if (det < 1e-6) return 0;
            double sum = 0;
            for (int b = 0; b < y.length; b++) {
                double cy = 0;
                double sy = 0;
                for (int i = 0; i < kept.length; i++) {
                    cy += c[i] * y[b][i];
                    sy += s[i] * y[b][i];
                }
                double p = (ss * cy - cs * sy) / det;
                double q = (cc * sy - cs * cy) / det;
                sum += (p * cy + q * sy) / variance[b] / y.length;
            }
            return sum;
        }
    }
}
