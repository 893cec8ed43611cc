package verisonus.core.perform.song;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;

/**
 * Where do a recording's sections begin? Moments of a fifth of a second are described by their harmony (twelve pitch classes), colour
 * and level; where the stretch behind is like itself, the stretch before is like itself, and the two are not alike, something new
 * begins (J. Foote, "Automatic audio segmentation using a measure of audio novelty", ICME 2000). Sections that sound alike get the
 * same letter.
 */
public final class SectionFinder {
    private static final double STEP_S = 0.2;
    private static final double REACH_S = 6;
    private static final double NEAR_S = 3;
    private static final double SHORTEST_S = 6;
    private static final int SIZE = 8192;
    private static final int CLASSES = 12;
    /** A peak this far over the mean of the curve, in its standard deviations, begins a section. */
    private static final double CLEAR = 0.6;
    private static final double ALIKE = 0.80;
    /** Level tells verse from chorus, and also a fill from a rest: little of it is best (made songs, SectionReport). */
    private static final double LEVEL_WEIGHT = 0.2;
    private static final Bands COLOUR = Bands.thirds(63, 10000);

    private SectionFinder() {}

    /** In order, without gaps; one section where nothing changes. */
    public static List<Section> of(Sound sound) {
        double[][] features = features(sound);
        List<Double> edges = new ArrayList<>(List.of(0.0));
        double[] near = novelty(features, NEAR_S);
        for (int i : peaks(novelty(features, REACH_S))) edges.add(sharper(near, i) * STEP_S);
        edges.add(sound.durationS());
        List<Section> out = new ArrayList<>();
        List<double[]> kinds = new ArrayList<>();
        for (int i = 1; i < edges.size(); i++) {
            if (edges.get(i) - edges.get(i - 1) < STEP_S) continue;
            double[] mean = mean(features, edges.get(i - 1), edges.get(i));
            out.add(new Section(letter(kinds, mean), edges.get(i - 1), edges.get(i)));
        }
        return out;
    }

    private static String letter(List<double[]> kinds, double[] mean) {
        int best = -1;
        for (int k = 0; k < kinds.size(); k++)
            if (cosine(kinds.get(k), mean) > ALIKE && (best < 0 || cosine(kinds.get(k), mean) > cosine(kinds.get(best),
                    mean)))
                best = k;
        if (best < 0) {
            kinds.add(mean);
            best = kinds.size() - 1;
        }
        return String.valueOf((char) ('A' + Math.min(best, 25)));
    }

    private static double[] mean(double[][] features, double fromS, double toS) {
        int from = (int) (fromS / STEP_S);
        int to = Math.clamp((long) (toS / STEP_S), from + 1, features.length);
        double[] out = new double[features[0].length];
        for (int t = Math.min(from, features.length - 1); t < to; t++)
            for (int k = 0; k < out.length; k++) out[k] += features[t][k] / (to - from);
        return out;
    }

    /** One row a moment; every column has mean 0 and spread 1, harmony and colour together as heavy as each other. */
    private static double[][] features(Sound sound) {
        Sound s = sound.atRate(22050);
        float[] x = s.mid().length < SIZE ? Arrays.copyOf(s.mid(), SIZE) : s.mid();
        int hop = (int) Math.round(STEP_S * s.rateHz());
        int n = Math.max(1, x.length / hop);
        Stft stft = new Stft(SIZE, 1);
        Bands.Grouping grouping = COLOUR.grouping(SIZE, s.rateHz());
        double[][] out = new double[n][CLASSES + COLOUR.count() + 1];
        float[] buffer = new float[SIZE];
        float[] power = new float[SIZE / 2 + 1];
        for (int t = 0; t < n; t++) {
            int start = Math.clamp((long) t * hop - SIZE / 2 + hop / 2, 0, x.length - SIZE);
            stft.frame(x, start, buffer, power);
            classes(power, s.rateHz(), out[t]);
            double[] bands = grouping.sum(power);
            double all = 1e-9;
            for (double b : bands) all += b;
            for (int b = 0; b < bands.length; b++)
                out[t][CLASSES + b] = 10 * Math.log10(bands[b] / all + 1e-5);
            out[t][CLASSES + bands.length] = 10 * Math.log10(all + 1e-6);
        }
        smoothed(out);
        normalised(out);
        return out;
    }

    private static void classes(float[] power, int rateHz, double[] row) {
        double sum = 1e-12;
        for (int k = 1; k < power.length; k++) {
            double hz = k * (double) rateHz / SIZE;
            if (hz < 80 || hz > 2000) continue;
            int c = Math.floorMod(Math.round(CLASSES * Math.log(hz / 55) / Math.log(2)), CLASSES);
            double v = Math.sqrt(power[k]);
            row[c] += v;
            sum += v;
        }
        for (int c = 0; c < CLASSES; c++) row[c] /= sum;
    }

    /** Over two seconds, so that chords within a section matter less than what it is made of. */
    private static void smoothed(double[][] rows) {
        int half = (int) Math.round(1.0 / STEP_S);
        double[][] was = Arrays.stream(rows).map(double[]::clone).toArray(double[][]::new);
        for (int t = 0; t < rows.length; t++) {
            for (int k = 0; k < rows[t].length; k++) {
                double sum = 0;
                int count = 0;
                for (int u = Math.max(0, t - half); u <= Math.min(rows.length - 1, t + half); u++, count++)
                    sum += was[u][k];
                rows[t][k] = sum / count;
            }
        }
    }

    private static void normalised(double[][] rows) {
        int columns = rows[0].length;
        for (int k = 0; k < columns; k++) {
            double mean = 0;
            double square = 0;
            for (double[] r : rows) mean += r[k] / rows.length;
            for (double[] r : rows) square += (r[k] - mean) * (r[k] - mean) / rows.length;
            double weight = k < CLASSES
                    ? Math.sqrt(0.5 / CLASSES)
                    : k < columns - 1
                            ? Math.sqrt(1.0 / (columns - 1 - CLASSES))
                            : LEVEL_WEIGHT;
            for (double[] r : rows) r[k] = weight * (r[k] - mean) / (Math.sqrt(square) + 1e-6);
        }
    }

    /** The moment near an edge at which the music next to it changes most. */
    private static int sharper(double[] near, int edge) {
        int best = edge;
        int width = (int) Math.round(NEAR_S / STEP_S);
        for (int t = Math.max(0, edge - width); t <= Math.min(near.length - 1, edge + width); t++)
            if (near[t] > near[best]) best = t;
        return best;
    }

    private static double[] novelty(double[][] f, double reachS) {
        int reach = (int) Math.round(reachS / STEP_S);
        double[] out = new double[f.length];
        for (int t = 0; t < f.length; t++) {
            double sum = 0;
            double weights = 1e-9;
            for (int a = -reach; a < reach; a++) {
                for (int b = -reach; b < reach; b++) {
                    if (t + a < 0 || t + b < 0 || t + a >= f.length || t + b >= f.length) continue;
                    double w = Math.exp(-2.0 * (a * a + b * b) / (reach * (double) reach));
                    sum += (a < 0 == b < 0 ? w : -w) * cosine(f[t + a], f[t + b]);
                    weights += w;
                }
            }
            out[t] = sum / weights;
        }
        return out;
    }

    private static List<Integer> peaks(double[] curve) {
        double mean = Arrays.stream(curve).average().orElse(0);
        double spread = Math.sqrt(Arrays.stream(curve).map(v -> (v - mean) * (v - mean)).average().orElse(0));
        int near = (int) Math.round(SHORTEST_S / STEP_S);
        List<Integer> out = new ArrayList<>();
        for (int t = near / 2; t < curve.length - near / 2; t++) {
            boolean top = curve[t] > mean + CLEAR * spread && curve[t] > 0.04;
            for (int u = Math.max(0, t - near); top && u <= Math.min(curve.length - 1, t + near); u++)
                top = curve[u] < curve[t] || u == t;
            if (top) out.add(t);
        }
        return out;
    }

    private static double cosine(double[] a, double[] b) {
        double ab = 0;
        double aa = 1e-9;
        double bb = 1e-9;
        for (int k = 0; k < a.length; k++) {
            ab += a[k] * b[k];
            aa += a[k] * a[k];
            bb += b[k] * b[k];
        }
        return ab / Math.sqrt(aa * bb);
    }
}
