package verisonus.core.evidence.replay;

import java.util.Arrays;

/**
 * Where does a recording have more than its replay explains, as if the notes came again this much later? What would explain it as well
 * this much <em>earlier</em> is the measure of chance: a recording cannot hold the replay's future, but notes played again come at
 * negative lags as often as at positive ones.
 *
 * @param excess evidence by lag in frames, from 0
 * @param ratio by lag: log10 of the evidence against what stands at negative lags
 * @param gain by band and lag: power of the later sound against the note's
 * @param before the same at negative lags, by their size: what chance alone makes
 */
record RepeatEnergy(double[] excess, double[] ratio, double[][] gain, double[][] before) {
    static final int MOST = 130;
    private static final int NEIGHBOURS = 12;
    private static final int LARGEST = 12;
    private static final int NEAR = 3;

    static RepeatEnergy of(DirectFit fit) {
        double[][] gain = new double[Channels.BANDS][2 * MOST + 1];
        double[][] power = new double[Channels.BANDS][2 * MOST + 1];
        for (int k = 0; k < Channels.COUNT; k++) add(fit, k, gain[Channels.BAND[k]], power[Channels.BAND[k]]);
        double[] both = new double[2 * MOST + 1];
        double[] largest = new double[2 * MOST + 1];
        for (int b = 0; b < Channels.BANDS; b++) {
            for (int l = 0; l < both.length; l++) gain[b][l] /= power[b][l] + 1e-9;
            for (int l = 0; l < both.length; l++) {
                double d = gain[b][l] - Math.max(0, local(gain[b], l));
                if (d <= 0) continue;
                double e = d * d * power[b][l] / 2;
                both[l] += e;
                largest[l] = Math.max(largest[l], e);
            }
        }
        // One band alone does not count in full.
        for (int l = 0; l < both.length; l++) both[l] -= 0.5 * largest[l];
        double[] before = Arrays.copyOf(both, MOST - 4);
        Arrays.sort(before);
        double chance = Arrays.stream(before, before.length - LARGEST, before.length).average().orElse(0);
        double[] excess = Arrays.copyOfRange(both, MOST, both.length);
        double[] ratio = new double[excess.length];
        double[][] later = new double[Channels.BANDS][];
        double[][] earlier = new double[Channels.BANDS][MOST + 1];
        for (int l = 0; l < ratio.length; l++) {
            double mirrored = 0;
            for (int d = -NEAR; d <= NEAR; d++)
                mirrored = Math.max(mirrored, both[Math.clamp(MOST - l + d, 0, both.length - 1)]);
            ratio[l] = Math.log10((excess[l] + 3) / (Math.max(l <= NEAR ? excess[l] : mirrored, chance) + 3));
        }
        for (int b = 0; b < Channels.BANDS; b++) {
            later[b] = Arrays.copyOfRange(gain[b], MOST, gain[b].length);
            for (int l = 0; l <= MOST; l++) earlier[b][l] = gain[b][MOST - l];
        }
        return new RepeatEnergy(excess, ratio, later, earlier);
    }

    private static void add(DirectFit fit, int k, double[] gain, double[] power) {
        int n = fit.frames;
        float[] over = new float[n];
        float[] weight = new float[n];
        for (int t = 0; t < n; t++) {
            if (!fit.asked[t]) continue;
            double m = fit.model[k][t];
            over[t] = (float) (Math.clamp(fit.recording[k][t] / m - 1, -1, 3) / m);
            weight[t] = (float) (1 / (m * m));
        }
        float[] d = fit.direct[k];
        double share = fit.share[Channels.BAND[k]][DirectFit.DIRECT];
        for (int lag = -MOST; lag <= MOST; lag++) {
            double s = 0;
            double f = 0;
            int to = Math.min(n, n + lag);
            for (int t = Math.max(0, lag); t < to; t++) {
                double x = d[t - lag];
                s += over[t] * x;
                f += weight[t] * x * x;
            }
            gain[lag + MOST] += share * s;
            power[lag + MOST] += share * share * f;
        }
    }

    /** Median of the 25 lags around one. */
    private static double local(double[] v, int at) {
        double[] near = Arrays.copyOfRange(v, Math.max(0, at - NEIGHBOURS), Math.min(v.length, at + NEIGHBOURS + 1));
        Arrays.sort(near);
        return near[near.length / 2];
    }
}
