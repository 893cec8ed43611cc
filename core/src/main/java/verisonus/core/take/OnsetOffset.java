package verisonus.core.take;

import java.util.Arrays;
import verisonus.core.sound.Bands;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Stft;

/**
 * How much later a recording plays than a dry take of the same phrase that may have been played again: where third octaves rise
 * in both, each beginning allowed a few milliseconds to either side (spectral flux by band; S. Dixon, DAFx-06). By bands, because
 * behind a clipper a change of note hardly raises the level as a whole.
 *
 * @param samples how much later
 * @param likeness correlation of the beginnings there, −1 to 1: of one phrase most often 0.3 to 0.95, of two up to 0.25
 */
record OnsetOffset(int samples, double likeness) {
    private static final Bands BANDS = Bands.thirds(100, 4000);
    private static final int SIZE = 1024;
    private static final int PER_SECOND = 500;
    /** Over this many frames a rise counts. */
    private static final int RISE = 4;
    private static final double SOFTEST_DB = -40;
    private static final double AROUND_S = 2;
    /** A hand is this many frames early or late. */
    private static final double HAND = 3;

    /** Within {@code reachS} of a shift that is roughly known. */
    static OnsetOffset find(float[] reference, float[] di, int rateHz, int near, double reachS) {
        int hop = rateHz / PER_SECOND;
        // Of a song no more is read than where the take could play.
        int margin = (int) ((reachS + AROUND_S) * rateHz);
        int cut = Math.max(0, near - margin) / hop * hop;
        int end = (int) Math.min(reference.length, (long) near + di.length + margin);
        if (cut > 0 && end > cut) {
            OnsetOffset there = find(Arrays.copyOfRange(reference, cut, end), di, rateHz, near - cut, reachS);
            return new OnsetOffset(there.samples + cut, there.likeness);
        }
        if (end > 0 && end < reference.length)
            return find(Arrays.copyOf(reference, end), di, rateHz, near, reachS);
        double[][] a = rises(reference, rateHz, hop);
        double[][] b = rises(di, rateHz, hop);
        int middle = Math.round((float) near / hop);
        int reach = (int) (reachS * PER_SECOND);
        int wavers = (int) (3 * HAND);
        float[] together = correlation(a, b, Math.abs(middle) + reach + wavers);
        int best = middle;
        double most = Double.NEGATIVE_INFINITY;
        for (int s = middle - reach; s <= middle + reach; s++) {
            double v = 0;
            for (int d = -wavers; d <= wavers; d++)
                v += Math.exp(-0.5 * d * d / (HAND * HAND)) * together[Math.floorMod(s + d, together.length)];
            if (v > most) {
                most = v;
                best = s;
            }
        }
        return new OnsetOffset(best * hop, likeness(a, b, best));
    }

    private static double likeness(double[][] a, double[][] b, int shift) {
        double both = 0;
        double first = 1e-9;
        double second = 1e-9;
        for (int band = 0; band < a.length; band++) {
            int from = Math.max(0, shift);
            int to = Math.min(a[band].length, b[band].length + shift);
            if (to - from < PER_SECOND / 2) return 0;
            double[] x = softened(Arrays.copyOfRange(a[band], from, to));
            double[] y = softened(Arrays.copyOfRange(b[band], from - shift, to - shift));
            for (int t = 0; t < x.length; t++) {
                both += x[t] * y[t];
                first += x[t] * x[t];
                second += y[t] * y[t];
            }
        }
        return both / Math.sqrt(first * second);
    }

    /** As wide as a hand wavers, its mean taken off. */
    private static double[] softened(double[] v) {
        int margin = (int) (3 * HAND);
        double[] out = new double[v.length];
        for (int t = 0; t < v.length; t++) {
            for (int d = Math.max(-margin, -t); d <= Math.min(margin, v.length - 1 - t); d++)
                out[t] += Math.exp(-0.5 * d * d / (HAND * HAND)) * v[t + d];
        }
        double mean = Arrays.stream(out).average().orElse(0);
        for (int t = 0; t < out.length; t++) out[t] -= mean;
        return out;
    }

    /** Sum over the bands of their correlation, by shift of the first against the second; negative shifts at the end. */
    private static float[] correlation(double[][] a, double[][] b, int reach) {
        int size = RealFft.sizeFor(Math.max(a[0].length + b[0].length + reach, 16));
        RealFft fft = new RealFft(size);
        float[] sum = new float[size];
        for (int band = 0; band < a.length; band++) {
            float[] fa = centred(a[band], size);
            float[] fb = centred(b[band], size);
            fft.forward(fa);
            fft.forward(fb);
            for (int k = 3; k < size; k += 2) fb[k] = -fb[k];
            RealFft.multiply(fa, fb);
            for (int k = 0; k < size; k++) sum[k] += fa[k];
        }
        fft.inverse(sum);
        return sum;
    }

    private static float[] centred(double[] v, int size) {
        float[] out = new float[size];
        double mean = Arrays.stream(v).average().orElse(0);
        for (int i = 0; i < v.length; i++) out[i] = (float) (v[i] - mean);
        return out;
    }

    /** By band and frame, how far the level has risen, dB; nothing where it is soft. */
    private static double[][] rises(float[] x, int rateHz, int hop) {
        Stft stft = new Stft(SIZE, hop);
        Bands.Grouping grouping = BANDS.grouping(SIZE, rateHz);
        int frames = stft.frames(x.length);
        double[][] level = new double[BANDS.count()][frames];
        double[] top = new double[BANDS.count()];
        Arrays.fill(top, -200);
        float[] buffer = new float[SIZE];
        float[] power = new float[SIZE / 2 + 1];
        for (int t = 0; t < frames; t++) {
            stft.frame(x, t, buffer, power);
            double[] sums = grouping.sum(power);
            for (int b = 0; b < sums.length; b++) {
                level[b][t] = 10 * Math.log10(sums[b] + 1e-15);
                top[b] = Math.max(top[b], level[b][t]);
            }
        }
        double[][] out = new double[BANDS.count()][frames];
        for (int b = 0; b < out.length; b++) {
            double floor = top[b] + SOFTEST_DB;
            for (int t = RISE; t < frames; t++)
                out[b][t] = Math.max(0, Math.max(floor, level[b][t]) - Math.max(floor, level[b][t - RISE]));
        }
        return out;
    }
}
