package verisonus.core.evidence.guided;

import java.util.Arrays;
import verisonus.core.sound.Sound;

/**
 * Two readings of a guitar's third octaves inside a band: what a sparing split gives the guitar (a little too much, of bass and keys
 * most), and what a thorough one does (a little too little, where others play as well).
 *
 * @param levelDb part × band of {@link #centresHz()}, mean of 400 to 2500 Hz zero
 * @param recordingDb the whole recording alike
 * @param aside whether the guitar stands off the middle, so that its place tells it as well
 */
public record GuidedParts(double[][] levelDb, double[] recordingDb, boolean aside) {
    /** The thorough split, then the sparing one. */
    public static final int COUNT = 2;
    private static final double QUANTILE = 0.5;
    private static final int REACH = 2;
    private static final double FLOOR = 1e-9;

    /** @param take in time with the recording */
    public static GuidedParts of(Sound recording, Sound take) {
        return of(LaidSpectra.of(recording, take));
    }

    static GuidedParts of(LaidSpectra laid) {
        return of(laid, GuidedSplit.of(laid, GuidedSplit.Setting.THOROUGH),
                GuidedSplit.of(laid, GuidedSplit.Setting.SPARING));
    }

    /** Of both splits' shares of each cell. */
    static GuidedParts of(LaidSpectra laid, float[][] thorough, float[][] sparing) {
        ThirdBands bands = new ThirdBands(laid.power()[0].length);
        float[][] placed = laid.placed();
        double[][] parts = {levelled(means(bands.sums(placed, thorough))),
                levelled(means(bands.sums(placed, sparing)))};
        return new GuidedParts(parts, levelled(means(bands.sums(laid.power()))), laid.aside());
    }

    /** Third octaves of any sound, levelled alike. */
    public static double[] thirdsDb(Sound sound) {
        Sound s = sound.atRate(LaidSpectra.RATE_HZ);
        float[][] power = LaidSpectra.frames().powers(s.channel(0));
        if (s.isStereo()) {
            float[][] right = LaidSpectra.frames().powers(s.channel(1));
            for (int t = 0; t < power.length; t++)
                for (int k = 0; k < power[t].length; k++) power[t][k] += right[t][k];
        }
        return levelled(means(new ThirdBands(power[0].length).sums(power)));
    }

    public static double[] centresHz() {
        double[] out = new double[ThirdBands.COUNT];
        for (int b = 0; b < out.length; b++) out[b] = ThirdBands.centreHz(b);
        return out;
    }

    /** How loud the guitar is over its direct guides, by band: where a split starts from. */
    static double[] start(LaidSpectra laid) {
        ThirdBands bands = new ThirdBands(laid.power()[0].length);
        return over(bands.sums(laid.placed(), laid.ring()), guide(bands, laid.guides()));
    }

    /** Mean of the direct guides by band, the largest of two frames to either side. */
    private static float[][] guide(ThirdBands bands, float[][][] guides) {
        float[][] mean = new float[guides[0].length][ThirdBands.COUNT];
        for (int i = 0; i < TakeGuides.DIRECT; i++) {
            float[][] one = bands.sums(guides[i]);
            for (int t = 0; t < mean.length; t++)
                for (int b = 0; b < ThirdBands.COUNT; b++) mean[t][b] += one[t][b] / TakeGuides.DIRECT;
        }
        float[][] out = new float[mean.length][ThirdBands.COUNT];
        for (int t = 0; t < out.length; t++)
            for (int s = Math.max(0, t - REACH); s <= Math.min(out.length - 1, t + REACH); s++)
                for (int b = 0; b < ThirdBands.COUNT; b++) out[t][b] = Math.max(out[t][b], mean[s][b]);
        return out;
    }

    /** Median of the ratio in the guide's upper half of frames. */
    private static double[] over(float[][] x, float[][] guide) {
        double[] out = new double[ThirdBands.COUNT];
        for (int b = 0; b < out.length; b++) {
            double[] column = new double[guide.length];
            for (int t = 0; t < column.length; t++) column[t] = guide[t][b];
            Arrays.sort(column);
            double half = column[column.length / 2];
            double[] ratios = new double[guide.length];
            int n = 0;
            for (int t = 0; t < guide.length; t++)
                if (guide[t][b] >= half && guide[t][b] > 0) ratios[n++] = x[t][b] / (double) guide[t][b];
            Arrays.sort(ratios, 0, n);
            out[b] = n == 0 ? 0 : ratios[(int) (QUANTILE * (n - 1))];
        }
        return out;
    }

    private static double[] means(float[][] rows) {
        double[] out = new double[ThirdBands.COUNT];
        for (float[] row : rows) for (int b = 0; b < out.length; b++) out[b] += row[b] / rows.length;
        return out;
    }

    /** dB, over the mean of the guitar's middle. */
    private static double[] levelled(double[] power) {
        double[] out = new double[power.length];
        double mean = 0;
        int n = 0;
        for (int b = 0; b < out.length; b++) {
            out[b] = 10 * Math.log10(power[b] + FLOOR);
            double hz = ThirdBands.centreHz(b);
            if (hz > 400 && hz < 2500) {
                mean += out[b];
                n++;
            }
        }
        for (int b = 0; b < out.length; b++) out[b] -= mean / n;
        return out;
    }
}
