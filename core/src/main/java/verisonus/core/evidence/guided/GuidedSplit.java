package verisonus.core.evidence.guided;

import java.util.Arrays;
import java.util.SplittableRandom;

/**
 * A recording explained by a take's guides and by a few free patterns for all else: multiplicative updates for the Itakura-Saito
 * divergence (C. Févotte, N. Bertin, J.-L. Durrieu, Neural Computation 2009; guided by what is played as S. Ewert, B. Pardo, M. Müller,
 * M. Plumbley, IEEE Signal Processing Magazine 2014). Each guide has a share by third octave, the guitar a strength by frame.
 */
final class GuidedSplit {
    /**
     * @param patterns how many for all else; a third of them lows, a third strikes
     * @param penalty how much less they are used than they could be
     */
    record Setting(int patterns, double penalty) {
        /** Takes much of what might be another's: its reading errs the other way from what rings. */
        static final Setting THOROUGH = new Setting(9, 0.6);
        /** Leaves the guitar whole: for the ear. */
        static final Setting SPARING = new Setting(3, 6);
    }

    private static final int ROUNDS = 40;
    private static final int FREE_ROUNDS = 5;
    private static final double LOW_HZ = 450;
    private static final double TAIL_START = 0.1;
    private static final int SEED = 7;

    private final Setting setting;
    private final int frames;
    private final int bins;
    private final float[][] v;
    private final float[][][] guides;
    private final ThirdBands bands;
    private final double[][] share;
    private final float[][] binShare;
    private final double[] strength;
    private final float[][] pattern;
    private final double[][] active;

    /** @param start level of the guitar's power over the direct guides' mean, by band of {@link ThirdBands} */
    private GuidedSplit(float[][] v, float[][][] guides, double[] start, Setting setting) {
        this.v = v;
        this.guides = guides;
        this.setting = setting;
        frames = v.length;
        bins = v[0].length;
        bands = new ThirdBands(bins);
        share = new double[guides.length][ThirdBands.COUNT];
        for (int i = 0; i < share.length; i++)
            for (int b = 0; b < share[i].length; b++)
                share[i][b] = (start[b] + 1e-9) * (i < TakeGuides.DIRECT ? 1.0 / TakeGuides.DIRECT : TAIL_START);
        binShare = new float[guides.length][bins];
        strength = new double[frames];
        Arrays.fill(strength, 1);
        pattern = new float[setting.patterns][bins];
        active = new double[setting.patterns][frames];
        start();
        spread();
    }

    /** The guitar's share of each cell of what stands in its place, 0 to 1. */
    static float[][] of(LaidSpectra laid, Setting setting) {
        return of(laid.placed(), laid.guides(), GuidedParts.start(laid), setting);
    }

    static float[][] of(float[][] power, float[][][] guides, double[] start, Setting setting) {
        GuidedSplit s = new GuidedSplit(power, guides, start, setting);
        for (int round = 0; round < ROUNDS; round++) s.round(round >= FREE_ROUNDS);
        return s.mask();
    }

    private void start() {
        SplittableRandom r = new SplittableRandom(SEED);
        double width = LaidSpectra.RATE_HZ / (2.0 * (bins - 1));
        float[] all = new float[bins];
        float[] struck = new float[bins];
        for (int t = 0; t < frames; t++) {
            boolean rises = t > 1 && sum(v[t]) > 2 * sum(v[t - 2]);
            for (int k = 0; k < bins; k++) all[k] += v[t][k] / frames;
            if (rises) for (int k = 0; k < bins; k++) struck[k] += v[t][k] / frames;
        }
        for (int p = 0; p < pattern.length; p++) {
            int kind = p * 3 / pattern.length;
            for (int k = 0; k < bins; k++) {
                double from = kind == 1 ? struck[k] : all[k];
                pattern[p][k] = kind == 0 && k * width > LOW_HZ
                        ? 0
                        : (float) ((from + 1e-6) * (0.4 + 1.2 * r.nextDouble()));
            }
            for (int t = 0; t < frames; t++) active[p][t] = (0.5 + r.nextDouble()) / pattern.length;
        }
    }

    private static double sum(float[] row) {
        double s = 0;
        for (float x : row) s += x;
        return s;
    }

    /** Shares by band, laid out by bin. */
    private void spread() {
        for (int i = 0; i < share.length; i++)
            for (int k = 0; k < bins; k++) binShare[i][k] = (float) share[i][bands.of(k)];
    }

    /** The guitar's power at strength one. */
    private void guitar(int t, double[] out) {
        Arrays.fill(out, 0);
        for (int i = 0; i < guides.length; i++) {
            float[] s = binShare[i];
            float[] g = guides[i][t];
            for (int k = 0; k < bins; k++) out[k] += (double) s[k] * g[k];
        }
    }

    private void rest(int t, double[] out) {
        Arrays.fill(out, 1e-9);
        for (int p = 0; p < pattern.length; p++) {
            double a = active[p][t];
            float[] w = pattern[p];
            for (int k = 0; k < bins; k++) out[k] += a * w[k];
        }
    }

    private void round(boolean free) {
        double[][] upShare = new double[guides.length][bins];
        double[][] downShare = new double[guides.length][bins];
        double[][] upPattern = new double[pattern.length][bins];
        double[][] downPattern = new double[pattern.length][bins];
        double[] g = new double[bins];
        double[] rest = new double[bins];
        float[] m = new float[bins];
        float[] r = new float[bins];
        double[][] nextActive = new double[pattern.length][frames];
        double[] nextStrength = strength.clone();
        for (int t = 0; t < frames; t++) {
            guitar(t, g);
            rest(t, rest);
            double s = strength[t];
            float[] row = v[t];
            for (int k = 0; k < bins; k++) m[k] = (float) (1 / (s * g[k] + rest[k]));
            for (int k = 0; k < bins; k++) r[k] = row[k] * m[k] * m[k];
            for (int i = 0; i < guides.length; i++) {
                add(guides[i][t], r, s, upShare[i]);
                add(guides[i][t], m, s, downShare[i]);
            }
            for (int p = 0; p < pattern.length; p++) {
                double a = active[p][t];
                add(r, a, upPattern[p]);
                add(m, a, downPattern[p]);
                nextActive[p][t] = a * Math
                        .sqrt((dot(pattern[p], r) + 1e-12) / ((1 + setting.penalty) * dot(pattern[p], m) + 1e-12));
            }
            if (free) {
                double up = 0;
                double down = 0;
                for (int k = 0; k < bins; k++) {
                    up += g[k] * r[k];
                    down += g[k] * m[k];
                }
                nextStrength[t] = s * Math.sqrt((up + 1e-12) / (down + 1e-12));
            }
        }
        for (int i = 0; i < guides.length; i++) step(share[i], bands.sums(upShare[i]), bands.sums(downShare[i]));
        spread();
        for (int p = 0; p < pattern.length; p++) {
            for (int k = 0; k < bins; k++)
                pattern[p][k] *= (float) Math.sqrt((upPattern[p][k] + 1e-12) / (downPattern[p][k] + 1e-12));
            System.arraycopy(nextActive[p], 0, active[p], 0, frames);
        }
        if (free) smooth(nextStrength);
    }

    private static void add(float[] x, float[] by, double gain, double[] to) {
        for (int k = 0; k < x.length; k++) to[k] += gain * x[k] * by[k];
    }

    private static void add(float[] x, double gain, double[] to) {
        for (int k = 0; k < x.length; k++) to[k] += gain * x[k];
    }

    private static double dot(float[] a, float[] b) {
        double s = 0;
        for (int k = 0; k < a.length; k++) s += (double) a[k] * b[k];
        return s;
    }

    private static void step(double[] value, double[] up, double[] down) {
        for (int i = 0; i < value.length; i++) value[i] *= Math.sqrt((up[i] + 1e-12) / (down[i] + 1e-12));
    }

    private void smooth(double[] next) {
        for (int t = 0; t < frames; t++) {
            double before = next[Math.max(0, t - 1)];
            double after = next[Math.min(frames - 1, t + 1)];
            strength[t] = Math.clamp((before + next[t] + after) / 3, 0.3, 3);
        }
    }

    private float[][] mask() {
        float[][] out = new float[frames][bins];
        double[] g = new double[bins];
        double[] rest = new double[bins];
        for (int t = 0; t < frames; t++) {
            guitar(t, g);
            rest(t, rest);
            for (int k = 0; k < bins; k++) out[t][k] = (float) (strength[t] * g[k] / (strength[t] * g[k] + rest[k]));
        }
        return out;
    }
}
