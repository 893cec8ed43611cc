package verisonus.core.take;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.OptionalInt;
import verisonus.core.sound.Stft;

/**
 * Does the dry guitar play the same phrase as the reference, and how much earlier? Pitch-class profiles every 20 ms
 * must agree at one shift better than at all others (chroma matching; M. A. Bartsch, G. H. Wakefield, WASPAA 2001);
 * the shift is then refined to a sample where the DI is of the very same performance ({@link SharpOffset}), else to a few
 * milliseconds on the beginnings of its notes ({@link OnsetOffset}).
 *
 * @param pairing the same performance, the same phrase played again, or other playing
 * @param offsetSamples how much later the reference plays than the DI
 * @param likeness correlation of the profiles at that shift, −1 to 1
 * @param sharp whether the DI is of the same performance, recorded at the same speed
 */
public record Alignment(Pairing pairing, int offsetSamples, double likeness, boolean sharp) {
    private static final int SIZE = 8192;
    private static final int HOP = 960;
    /** Profiles of one phrase correlate above this, whatever the sound; of two phrases sometimes, on the same few notes. */
    private static final double SAME = 0.45;
    /** Two long phrases never fit at one place so much better than at all others, in whatever key; shorter ones sometimes do. */
    private static final Place LONG = new Place(12, 0.4, 0.1);
    private static final Place SHORTER = new Place(8, 0.5, 0.15);
    private static final int ELSEWHERE = 10;
    private static final double SURELY_SAME = 0.6;
    /** Power under which a take rests, against its loudest moment. */
    private static final double REST = 1e-4;
    private static final double FEWEST_SOUNDING = 0.1;
    private static final double IN_TIME = 0.3;
    /** Less than this two phrases agree by chance. */
    private static final double LEAST_IN_TIME = 0.1;
    private static final double LOWEST_HZ = 75;
    /** Under it a band's bass and kick play; a few notes cannot do without what lies there, a longer phrase can. */
    private static final double ABOVE_BASS_HZ = 170;
    private static final double NEAR_S = 0.06;
    private static final double FAR_S = 0.28;
    private static final double CLEARLY = 0.1;
    /** As far as a few chords on the same notes, in a hall, can seem to lie from where they are played. */
    private static final double FARTHEST_S = 0.8;
    private static final double BEYOND_DOUBT = 0.2;
    private static final double REACH_S = 3;
    private static final double DRIFT_REACH_S = 0.1;
    /** What differs less is the clippers' doing rather than the recorders'. */
    private static final double LEAST_DRIFT_S = 0.008;
    private static final double MOST_DRIFT = 0.02;
    private static final double WINDOW_S = 1.5;
    private static final int FEWEST_WINDOWS = 5;
    private static final double ON_LINE_S = 0.005;
    private static final double ON_LINE_SHARE = 0.6;

    /** Both mono at this rate. */
    public static Alignment find(float[] reference, float[] di, int rateHz) {
        double lengthS = (double) Math.min(reference.length, di.length) / rateHz;
        double lowestHz = lengthS >= SHORTER.lengthS ? ABOVE_BASS_HZ : LOWEST_HZ;
        double[][] a = profiles(reference, rateHz, lowestHz);
        double[][] b = profiles(di, rateHz, lowestHz);
        // A region may stand anywhere in a longer take.
        int reach = (int) (REACH_S * rateHz / HOP) + Math.abs(a.length - b.length);
        double[] scores = new double[2 * reach + 1];
        int best = 0;
        for (int shift = -reach; shift <= reach; shift++) {
            scores[shift + reach] = likeness(a, b, shift, true);
            if (scores[shift + reach] > scores[best + reach]) best = shift;
        }
        // Where it lies is told by rests too, whether it is the same phrase by what sounds.
        double bestScore = likeness(a, b, best, false);
        double clear = scores[best + reach] - elsewhere(scores, best + reach);
        boolean inOnePlace = LONG.isMet(lengthS, bestScore, clear) || SHORTER.isMet(lengthS, bestScore, clear);
        if (bestScore < SAME && !inOnePlace) return new Alignment(Pairing.OTHER_PLAYING, 0, bestScore, false);
        OptionalInt one = SharpOffset.find(reference, di, rateHz, best * HOP, NEAR_S);
        if (one.isPresent()) return new Alignment(Pairing.SAME_PERFORMANCE, one.getAsInt(), bestScore, true);
        OnsetOffset near = OnsetOffset.find(reference, di, rateHz, best * HOP, NEAR_S);
        // Repeats and a hall hold a chord's notes for longer, so that they seem to come later: their beginnings do not.
        OnsetOffset far = OnsetOffset.find(reference, di, rateHz, best * HOP, FAR_S);
        OnsetOffset notes = far.likeness() > near.likeness() + CLEARLY ? far : near;
        // Two phrases on the same few notes are told apart by when they are played.
        boolean same = bestScore >= SURELY_SAME || inOnePlace || notes.likeness() >= IN_TIME;
        if (same && notes.likeness() < IN_TIME) {
            OnsetOffset farthest = OnsetOffset.find(reference, di, rateHz, best * HOP, FARTHEST_S);
            if (farthest.likeness() > Math.max(IN_TIME, notes.likeness() + BEYOND_DOUBT)) notes = farthest;
        }
        return same
                ? new Alignment(Pairing.PLAYED_AGAIN, notes.samples(), bestScore, false)
                : new Alignment(Pairing.OTHER_PLAYING, 0, bestScore, false);
    }

    /**
     * The same for a take of which the player says that it is of the phrase, and where it begins: looked for only close by. Beginnings that
     * agree nowhere there leave it where it was laid.
     *
     * @param offsetSamples how much later the reference is said to play
     */
    public static Alignment told(float[] reference, float[] di, int rateHz, int offsetSamples) {
        OptionalInt one = SharpOffset.find(reference, di, rateHz, offsetSamples, FAR_S);
        if (one.isPresent()) return new Alignment(Pairing.SAME_PERFORMANCE, one.getAsInt(), 1, true);
        OnsetOffset notes = OnsetOffset.find(reference, di, rateHz, offsetSamples, FAR_S);
        Alignment close = new Alignment(Pairing.PLAYED_AGAIN, notes.samples(), notes.likeness(), false);
        return close.agrees() ? close : new Alignment(Pairing.PLAYED_AGAIN, offsetSamples, notes.likeness(), false);
    }

    /** What a fit at one place needs: how long both are, how alike, how much more so than anywhere else. */
    private record Place(double lengthS, double likeness, double clear) {
        boolean isMet(double s, double alike, double by) {
            return s >= lengthS && alike >= likeness && by >= clear;
        }
    }

    private static double elsewhere(double[] scores, int at) {
        double most = -1;
        for (int i = 0; i < scores.length; i++)
            if (Math.abs(i - at) > ELSEWHERE) most = Math.max(most, scores[i]);
        return most;
    }

    /** Whether anything in the sound speaks for it; only a take that was laid by hand may lie where nothing does. */
    public boolean agrees() {
        return likeness >= LEAST_IN_TIME;
    }

    /** Whether nothing need be asked beyond it. */
    boolean isSure() {
        return sharp || pairing.isSamePhrase() && likeness >= SURELY_SAME;
    }

    private static double likeness(double[][] a, double[][] b, int shift, boolean restsCount) {
        int from = Math.max(0, shift);
        int to = Math.min(a.length, b.length + shift);
        if (to - from < 0.6 * Math.min(a.length, b.length)) return -1;
        double sum = 0;
        double weight = 0;
        int rests = 0;
        for (int t = from; t < to; t++) {
            // In the take's rests the recording may ring on: they say nothing of the notes.
            if (isRest(b[t - shift])) {
                rests++;
                continue;
            }
            sum += correlation(a[t], b[t - shift]);
            weight++;
        }
        if (weight < FEWEST_SOUNDING * (weight + rests)) return -1;
        return sum / (restsCount ? weight + rests : weight);
    }

    private static boolean isRest(double[] profile) {
        for (double v : profile) if (v != 0) return false;
        return true;
    }

    private static double correlation(double[] p, double[] q) {
        double sum = 0;
        for (int i = 0; i < 12; i++) sum += p[i] * q[i];
        return sum;
    }

    /** Pitch-class energy, mean taken off, length one; zeros where silent. */
    private static double[][] profiles(float[] x, int rateHz, double lowestHz) {
        Stft stft = new Stft(SIZE, HOP);
        double[][] out = new double[stft.frames(x.length)][12];
        float[] buffer = new float[SIZE];
        float[] power = new float[SIZE / 2 + 1];
        double width = (double) rateHz / SIZE;
        int first = (int) (lowestHz / width);
        int last = (int) (1000 / width);
        int[] pitchClass = new int[last];
        for (int k = first; k < last; k++)
            pitchClass[k] = Math.floorMod((int) Math.round(12 * Math.log(k * width / 440) / Math.log(2)), 12);
        double[] level = new double[out.length];
        double top = 0;
        for (int t = 0; t < out.length; t++) {
            stft.frame(x, t, buffer, power);
            for (int k = first; k < last; k++) {
                out[t][pitchClass[k]] += Math.sqrt(power[k]);
                level[t] += power[k];
            }
            top = Math.max(top, level[t]);
        }
        for (int t = 0; t < out.length; t++) {
            if (level[t] < REST * top) {
                Arrays.fill(out[t], 0);
                continue;
            }
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

    /**
     * The DI laid under the reference, as long as it. Where the end lies further off than the beginning, as after two recorders
     * or a tape whose speed differed, it is stretched between them.
     */
    public float[] laid(float[] reference, float[] di, int rateHz) {
        int offset = offsetSamples;
        if (sharp) return shifted(di, offset, reference.length);
        int window = (int) (WINDOW_S * rateHz);
        float[] shifted = shifted(di, offset, reference.length);
        List<double[]> seen = new ArrayList<>();
        for (int from = 0; from + window <= reference.length; from += window / 2) {
            float[] part = Arrays.copyOfRange(reference, from, from + window);
            float[] under = Arrays.copyOfRange(shifted, from, from + window);
            seen.add(new double[]{from + window / 2.0,
                    offset + OnsetOffset.find(part, under, rateHz, 0, DRIFT_REACH_S).samples()});
        }
        if (seen.size() < FEWEST_WINDOWS) return shifted;
        double drift = slope(seen);
        double[] rest = seen.stream().mapToDouble(p -> p[1] - drift * p[0]).sorted().toArray();
        double start = rest[rest.length / 2];
        long near = Arrays.stream(rest).filter(r -> Math.abs(r - start) < ON_LINE_S * rateHz).count();
        boolean drifts = Math.abs(drift) * reference.length > LEAST_DRIFT_S * rateHz && Math.abs(drift) < MOST_DRIFT
                && near >= ON_LINE_SHARE * rest.length;
        if (!drifts) return shifted;
        float[] out = new float[reference.length];
        for (int i = 0; i < out.length; i++) {
            double at = i - start - drift * i;
            int k = (int) Math.floor(at);
            if (k < 1 || k + 2 >= di.length) continue;
            out[i] = (float) between(di[k - 1], di[k], di[k + 1], di[k + 2], at - k);
        }
        return out;
    }

    /** Median of the slopes between all pairs (H. Theil, 1950; P. K. Sen, 1968): windows that were misread do not count. */
    private static double slope(List<double[]> points) {
        List<Double> slopes = new ArrayList<>();
        for (int i = 0; i < points.size(); i++) {
            for (int j = i + 1; j < points.size(); j++)
                slopes.add((points.get(j)[1] - points.get(i)[1]) / (points.get(j)[0] - points.get(i)[0]));
        }
        slopes.sort(Double::compare);
        return slopes.get(slopes.size() / 2);
    }

    /** Cubic through four neighbours (Catmull-Rom). */
    private static double between(double a, double b, double c, double d, double u) {
        return b + 0.5 * u * (c - a + u * (2 * a - 5 * b + 4 * c - d + u * (3 * (b - c) + d - a)));
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
