package verisonus.core.derive;

import java.util.Arrays;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Stft;

/**
 * Does the dry guitar play the same phrase as the reference, and how much earlier? Pitch-class profiles every 20 ms
 * must agree at one shift better than at all others (chroma matching; M. A. Bartsch, G. H. Wakefield, WASPAA 2001);
 * the shift is then refined to a millisecond on the rise of the level.
 *
 * @param pairing same phrase or other playing
 * @param offsetSamples how much later the reference plays than the DI
 * @param likeness correlation of the profiles at that shift, −1 to 1
 */
record Alignment(Pairing pairing, int offsetSamples, double likeness) {
    private static final int SIZE = 8192;
    private static final int HOP = 960;
    /** Profiles of one phrase correlate above this, whatever the sound; of two phrases hardly ever. */
    private static final double SAME = 0.45;
    private static final double REACH_S = 3;

    /** Both mono at this rate. */
    static Alignment find(float[] reference, float[] di, int rateHz) {
        double[][] a = profiles(reference, rateHz);
        double[][] b = profiles(di, rateHz);
        // A region may stand anywhere in a longer take.
        int reach = (int) (REACH_S * rateHz / HOP) + Math.abs(a.length - b.length);
        int best = 0;
        double bestScore = -1;
        for (int shift = -reach; shift <= reach; shift++) {
            double score = likeness(a, b, shift);
            if (score > bestScore) {
                bestScore = score;
                best = shift;
            }
        }
        if (bestScore < SAME) return new Alignment(Pairing.OTHER_PLAYING, 0, bestScore);
        return new Alignment(Pairing.SAME_PHRASE, refined(reference, di, rateHz, best * HOP, 0.05), bestScore);
    }

    private static double likeness(double[][] a, double[][] b, int shift) {
        int from = Math.max(0, shift);
        int to = Math.min(a.length, b.length + shift);
        if (to - from < 0.6 * Math.min(a.length, b.length)) return -1;
        double sum = 0;
        double weight = 0;
        for (int t = from; t < to; t++) {
            sum += correlation(a[t], b[t - shift]);
            weight++;
        }
        return weight == 0 ? -1 : sum / weight;
    }

    private static double correlation(double[] p, double[] q) {
        double sum = 0;
        for (int i = 0; i < 12; i++) sum += p[i] * q[i];
        return sum;
    }

    /** Pitch-class energy, mean taken off, length one; zeros where silent. */
    private static double[][] profiles(float[] x, int rateHz) {
        Stft stft = new Stft(SIZE, HOP);
        double[][] out = new double[stft.frames(x.length)][12];
        float[] buffer = new float[SIZE];
        float[] power = new float[SIZE / 2 + 1];
        double width = (double) rateHz / SIZE;
        int first = (int) (75 / width);
        int last = (int) (1000 / width);
        int[] pitchClass = new int[last];
        for (int k = first; k < last; k++)
            pitchClass[k] = Math.floorMod((int) Math.round(12 * Math.log(k * width / 440) / Math.log(2)), 12);
        for (int t = 0; t < out.length; t++) {
            stft.frame(x, t, buffer, power);
            for (int k = first; k < last; k++) out[t][pitchClass[k]] += Math.sqrt(power[k]);
            double mean = Arrays.stream(out[t]).average().orElse(0);
            double norm = 0;
            for (int i = 0; i < 12; i++) {
                out[t][i] -= mean;
                norm += out[t][i] * out[t][i];
            }
            for (int i = 0; i < 12; i++) out[t][i] /= Math.sqrt(norm) + 1e-9;
        }
        return out;
    }

    /** The shift near a known one at which both rise together, in samples. */
    static int refined(float[] reference, float[] di, int rateHz, int near, double reachS) {
        int hop = rateHz / 1000;
        double[] a = rise(reference, hop);
        double[] b = rise(di, hop);
        int middle = Math.round((float) near / hop);
        int reach = (int) (reachS * 1000);
        int size = RealFft.sizeFor(a.length + b.length + Math.abs(middle) + reach);
        RealFft fft = new RealFft(size);
        float[] fa = packed(a, size);
        float[] fb = packed(b, size);
        fft.forward(fa);
        fft.forward(fb);
        for (int k = 3; k < size; k += 2) fb[k] = -fb[k];
        RealFft.multiply(fa, fb);
        fft.inverse(fa);
        int best = middle;
        for (int s = middle - reach; s <= middle + reach; s++) {
            if (fa[Math.floorMod(s, size)] > fa[Math.floorMod(best, size)]) best = s;
        }
        return best * hop;
    }

    private static float[] packed(double[] v, int size) {
        float[] out = new float[size];
        double mean = Arrays.stream(v).average().orElse(0);
        for (int i = 0; i < v.length; i++) out[i] = (float) (v[i] - mean);
        return out;
    }

    /** Positive change of the log level, smoothed over a few milliseconds. */
    private static double[] rise(float[] x, int hop) {
        int n = x.length / hop;
        double[] level = new double[n];
        double smooth = 0;
        double peak = 0;
        for (float v : x) peak = Math.max(peak, Math.abs(v));
        double floor = peak * peak * 1e-6 * hop + 1e-12;
        for (int t = 0; t < n; t++) {
            double sum = 0;
            for (int i = t * hop; i < (t + 1) * hop; i++) sum += (double) x[i] * x[i];
            smooth += 0.3 * (Math.log(sum + floor) - smooth);
            level[t] = smooth;
        }
        double[] out = new double[n];
        for (int t = 1; t < n; t++) out[t] = Math.max(0, level[t] - level[t - 1]);
        return out;
    }

    /** The DI moved so that it plays with the reference, as long as the reference. */
    static float[] shifted(float[] di, int offset, int length) {
        float[] out = new float[length];
        int from = Math.max(0, offset);
        int to = Math.min(length, di.length + offset);
        if (to > from) System.arraycopy(di, from - offset, out, from, to - from);
        return out;
    }
}
