package verisonus.core.take;

import java.util.Arrays;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Stft;

/**
 * Is a take that was laid under a recording of its phrase, or only of its harmony? A band that plays the same chords makes any take over
 * them agree in what sounds; the phrase is told by which semitones rise when. Where the take lies, these must agree better than at other
 * places and in other keys, and for each half and third of it nearly as well as where that part would fit best: a take whose parts come in
 * another order, or over other bars, has better places for them. Weighed to log-odds; the weights were fitted in {@code bench} on made
 * songs in which all play one harmony.
 *
 * @param logOdds of the phrase against its harmony alone, natural logarithm
 */
public record PhraseOdds(double logOdds) {
    private static final int SIZE = 4096;
    private static final int PER_SECOND = 100;
    /** MIDI note of the lowest semitone: under it a window of this length tells none apart. */
    private static final int LOWEST = 52;
    private static final int BANDS = 48;
    /** Over this many frames a rise counts. */
    private static final int RISE = 4;
    private static final double SOFTEST_DB = -40;
    /** A hand is this many frames early or late. */
    private static final double HAND = 1.5;
    /** Frames from where it was laid: so near it is the place itself, and beyond the second another. */
    private static final int HERE = 6;
    private static final int AWAY = 15;
    private static final int KEYS = 11;
    /** As much of a part may hang over either end of the recording. */
    private static final double OVER = 0.4;
    /** Of the signs, in their order, and of nothing. */
    private static final double[] WEIGHTS = {8.97, 0.257, -0.600, -0.206};
    private static final double BIAS = -5.73;
    /** Right takes are lost sooner than wrong ones are kept by asking for more. */
    private static final double LEAST = -1;
    /** Of less, halves and thirds hold too few notes to tell anything; the odds are even. */
    private static final double SHORTEST_S = 6;

    /**
     * Weighs.
     *
     * @param reference and the take: mono, at this rate
     * @param offsetSamples how much later the reference plays
     * @param likeness correlation of the pitch classes there, −1 to 1
     */
    static PhraseOdds of(float[] reference, float[] di, int rateHz, int offsetSamples, double likeness) {
        if (underS(reference, di, rateHz, offsetSamples) < SHORTEST_S) return new PhraseOdds(0);
        double[] signs = signs(reference, di, rateHz, offsetSamples, likeness);
        double sum = BIAS;
        for (int i = 0; i < signs.length; i++) sum += WEIGHTS[i] * signs[i];
        return new PhraseOdds(sum);
    }

    /** What is weighed: likeness, how far it stands out, by how much its worst half and its worst third would fit better elsewhere. */
    public static double[] signs(float[] reference, float[] di, int rateHz, int offsetSamples, double likeness) {
        Rises rises = new Rises(rises(reference, rateHz), softened(rises(di, rateHz)),
                Math.round((float) offsetSamples * PER_SECOND / rateHz));
        return new double[]{likeness, rises.part(0, 1).here, rises.fitsElsewhere(2), rises.fitsElsewhere(3)};
    }

    /** How much of the take lies under the recording, s. */
    private static double underS(float[] reference, float[] di, int rateHz, int offsetSamples) {
        int from = Math.max(0, offsetSamples);
        int to = Math.min(reference.length, di.length + offsetSamples);
        return Math.max(0, to - from) / (double) rateHz;
    }

    /** Whether the take may be believed to be of the phrase. */
    boolean isOfThePhrase() { return logOdds >= LEAST; }

    /** How far a part stands out of all other places and keys, standard deviations, where it lies and where it fits best. */
    private record Fit(double here, double elsewhere) {}

    /** Semitones that rise, in the recording and in the take, and where the take was laid. */
    private static final class Rises {
        private final double[][] recording;
        private final double[][] take;
        private final int laid;
        private final int size;
        private final RealFft fft;
        private final float[][] spectra;

        Rises(double[][] recording, double[][] take, int laid) {
            this.recording = recording;
            this.take = take;
            this.laid = laid;
            size = RealFft.sizeFor(recording[0].length + take[0].length + 16);
            fft = new RealFft(size);
            spectra = spectra(recording, fft, size);
        }

        /** By how much the worst of so many parts would fit better elsewhere. */
        double fitsElsewhere(int parts) {
            double most = Double.NEGATIVE_INFINITY;
            for (int p = 0; p < parts; p++) {
                Fit f = part((double) p / parts, (p + 1.0) / parts);
                most = Math.max(most, f.elsewhere - f.here);
            }
            return most;
        }

        Fit part(double fromShare, double toShare) {
            int frames = take[0].length;
            // What of the take lies beside the recording can fit nowhere.
            int first = Math.clamp(-laid, 0, frames - 1);
            int last = Math.clamp(recording[0].length - laid, first + 1, frames);
            int from = first + (int) ((last - first) * fromShare);
            int to = first + (int) ((last - first) * toShare);
            double[][] part = new double[BANDS][frames];
            for (int k = 0; k < BANDS; k++) System.arraycopy(take[k], from, part[k], from, to - from);
            float[][] other = spectra(part, fft, size);
            int slack = (int) Math.round(OVER * (to - from));
            double here = Double.NEGATIVE_INFINITY;
            double elsewhere = Double.NEGATIVE_INFINITY;
            double sum = 0;
            double squares = 0;
            int count = 0;
            for (int key = -KEYS; key <= KEYS; key++) {
                float[] c = correlation(spectra, other, key, fft, size);
                for (int s = -from - slack; s <= recording[0].length - to + slack; s++) {
                    double v = c[Math.floorMod(s, size)];
                    int away = Math.abs(s - laid);
                    if (key == 0 && away <= HERE) {
                        here = Math.max(here, v);
                        continue;
                    }
                    if (key == 0 && away > AWAY) elsewhere = Math.max(elsewhere, v);
                    sum += v;
                    squares += v * v;
                    count++;
                }
            }
            double mean = sum / Math.max(1, count);
            double sd = Math.sqrt(Math.max(1e-12, squares / Math.max(1, count) - mean * mean));
            return new Fit(stands(here, mean, sd), stands(elsewhere, mean, sd));
        }

        /** Where there was no place to look at, none stands out. */
        private static double stands(double v, double mean, double sd) {
            return Double.isFinite(v) ? (v - mean) / sd : 0;
        }
    }

    private static float[][] spectra(double[][] v, RealFft fft, int size) {
        float[][] out = new float[v.length][size];
        for (int b = 0; b < v.length; b++) {
            for (int i = 0; i < v[b].length; i++) out[b][i] = (float) v[b][i];
            fft.forward(out[b]);
        }
        return out;
    }

    private static float[] correlation(float[][] fa, float[][] fb, int key, RealFft fft, int size) {
        float[] sum = new float[size];
        for (int k = Math.max(0, key); k < BANDS && k - key < BANDS; k++) {
            float[] x = fa[k].clone();
            float[] y = fb[k - key].clone();
            for (int i = 3; i < size; i += 2) y[i] = -y[i];
            RealFft.multiply(x, y);
            for (int i = 0; i < size; i++) sum[i] += x[i];
        }
        fft.inverse(sum);
        return sum;
    }

    private static double[][] softened(double[][] bands) {
        double[][] out = new double[bands.length][];
        for (int b = 0; b < bands.length; b++) out[b] = softened(bands[b]);
        return out;
    }

    private static double[] softened(double[] v) {
        int margin = (int) Math.ceil(3 * HAND);
        double[] out = new double[v.length];
        for (int t = 0; t < v.length; t++)
            for (int d = Math.max(-margin, -t); d <= Math.min(margin, v.length - 1 - t); d++)
                out[t] += Math.exp(-0.5 * d * d / (HAND * HAND)) * v[t + d];
        return out;
    }

    /** By semitone and frame, how far it rises beyond the middle of all, dB, its mean taken off: a drum raises all, a note a few. */
    private static double[][] rises(float[] x, int rateHz) {
        int hop = rateHz / PER_SECOND;
        Stft stft = new Stft(SIZE, hop);
        int frames = stft.frames(x.length);
        double[][] level = new double[BANDS][frames];
        double[] top = new double[BANDS];
        Arrays.fill(top, -200);
        float[] buffer = new float[SIZE];
        float[] power = new float[SIZE / 2 + 1];
        double width = (double) rateHz / SIZE;
        for (int t = 0; t < frames; t++) {
            stft.frame(x, t, buffer, power);
            for (int b = 0; b < BANDS; b++) {
                double hz = 440 * Math.pow(2, (LOWEST + b - 69) / 12.0);
                int lo = (int) Math.round(hz * Math.pow(2, -1 / 24.0) / width);
                int hi = Math.max(lo, (int) Math.round(hz * Math.pow(2, 1 / 24.0) / width) - 1);
                double s = 1e-15;
                for (int k = lo; k <= hi; k++) s += power[k];
                level[b][t] = 10 * Math.log10(s / (hi - lo + 1));
                top[b] = Math.max(top[b], level[b][t]);
            }
        }
        double[][] out = new double[BANDS][frames];
        double[] column = new double[BANDS];
        for (int t = RISE; t < frames; t++) {
            for (int b = 0; b < BANDS; b++) {
                double floor = top[b] + SOFTEST_DB;
                column[b] = Math.max(floor, level[b][t]) - Math.max(floor, level[b][t - RISE]);
            }
            double[] sorted = column.clone();
            Arrays.sort(sorted);
            double median = Math.max(0, sorted[BANDS / 2]);
            for (int b = 0; b < BANDS; b++) out[b][t] = Math.max(0, column[b] - median);
        }
        for (double[] v : out) {
            double mean = Arrays.stream(v).average().orElse(0);
            for (int t = 0; t < v.length; t++) v[t] -= mean;
        }
        return out;
    }
}
