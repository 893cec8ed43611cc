package verisonus.core.evidence;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.OptionalDouble;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;

/**
 * Is there a space, and how long does it ring? A stopped string falls at once, a reverberant tail never faster than its own
 * rate: in each octave the fastest fall ever seen over a lag shows the tail (idea of R. Ratnam et al., "Blind estimation of
 * reverberation time", JASA 2003). Let-ring playing has no stopped note: then the answer is unknown. Pre-delay and level
 * cannot be read this way. Input: mono mid, 4 s or more. Known error on made-up cases: decay 15 % in the median.
 */
public final class ReverbEstimator {
    private static final int RATE_HZ = 16000;
    private static final int HOP = 160;
    private static final double HOP_S = 0.01;
    private static final double[] CENTRES_HZ = {283, 566, 1131, 2263};
    private static final double LONGEST_S = 6;
    private static final int LONGEST_LAG = 80;
    private static final double LOUD_DB = 18;
    private static final double FLOOR_DB = -48;
    /** What has fallen further than this within 0.4 s was stopped in a dry room, or has a release of its own. */
    private static final double FAR_DB = -43;

    private ReverbEstimator() {}

    /**
     * The tail of one octave.
     *
     * @param offsetDb where its line starts
     * @param atFourTenthsDb fastest fall over 0.4 s
     */
    private record Tail(double decayS, double offsetDb, double atFourTenthsDb) {}

    /** The figures of a recording in one line, for reports. */
    public static String figures(Sound sound) {
        StringBuilder out = new StringBuilder();
        for (Tail t : tails(sound)) {
            out.append(String.format(Locale.ROOT, " %.2fs %.1f %.0f |", t.decayS, t.offsetDb, t.atFourTenthsDb));
        }
        return out.toString();
    }

    public static Finding<ReverbReading> estimate(Sound sound) {
        if (sound.durationS() < 4) return Finding.unknown("too short to see a note stop");
        List<Tail> all = tails(sound);
        double far = median(all.stream().mapToDouble(Tail::atFourTenthsDb).toArray());
        if (far <= FAR_DB) {
            return Finding.absent(0.85, String.format(Locale.ROOT,
                    "stopped notes fall %.0f dB within 0.4 s: nothing rings behind them", -far));
        }
        List<Tail> tails = all.stream().filter(t -> t.decayS > 0 && t.decayS < LONGEST_S).toList();
        if (tails.size() < 3) return Finding.unknown("no note stops: a space cannot be told from the strings");
        double[] logs = tails.stream().mapToDouble(t -> Math.log(t.decayS)).sorted().toArray();
        double mean = Arrays.stream(logs).average().orElse(0);
        double sd = Math.sqrt(Arrays.stream(logs).map(l -> (l - mean) * (l - mean)).average().orElse(0));
        double offset = median(tails.stream().mapToDouble(Tail::offsetDb).toArray());
        // Strings that ring on can only make a tail look longer: the two shortest octaves are nearest the truth.
        double decay = Math.exp((logs[0] + logs[1]) / 2);
        boolean agree = sd < 0.55 && offset > -33 && offset < -3.5;
        if (!agree) return Finding.unknown("the octaves do not agree on a tail; ringing strings would do that");
        double confidence = Math.clamp(0.8 - 0.5 * sd, 0.4, 0.8);
        return Finding.present(new ReverbReading(decay, OptionalDouble.empty(), OptionalDouble.empty()), confidence,
                String.format(Locale.ROOT, "no note falls faster than 60 dB in %.1f s, in %d octaves alike", decay,
                        tails.size()));
    }

    private static double median(double[] v) {
        double[] s = v.clone();
        Arrays.sort(s);
        return s.length % 2 == 1 ? s[s.length / 2] : 0.5 * (s[s.length / 2 - 1] + s[s.length / 2]);
    }

    private static List<Tail> tails(Sound sound) {
        float[] x = sound.atRate(RATE_HZ).mid();
        List<Tail> out = new ArrayList<>();
        double[][] levels = octaveLevels(x);
        for (double[] level : levels) {
            Tail t = tail(fastestFalls(level));
            out.add(t);
        }
        return out;
    }

    /** Level of each octave every 10 ms, averaged over 40 ms, dB. */
    private static double[][] octaveLevels(float[] x) {
        Stft stft = new Stft(512, HOP);
        int n = stft.frames(x.length);
        double[][] energy = new double[CENTRES_HZ.length][n];
        float[] buffer = new float[512];
        float[] power = new float[257];
        double width = RATE_HZ / 512.0;
        for (int t = 0; t < n; t++) {
            stft.frame(x, t, buffer, power);
            for (int b = 0; b < CENTRES_HZ.length; b++) {
                int from = (int) Math.round(CENTRES_HZ[b] / Math.sqrt(2) / width);
                int to = (int) Math.round(CENTRES_HZ[b] * Math.sqrt(2) / width);
                for (int k = from; k < to; k++) energy[b][t] += power[k];
            }
        }
        double[][] out = new double[CENTRES_HZ.length][n];
        for (int b = 0; b < out.length; b++) {
            for (int t = 0; t < n; t++) {
                double sum = 1e-13;
                int count = 0;
                for (int k = Math.max(0, t - 1); k <= Math.min(n - 1, t + 2); k++, count++) sum += energy[b][k];
                out[b][t] = 10 * Math.log10(sum / count);
            }
        }
        return out;
    }

    /** For each lag the 2 % quantile of L(t+lag) − L(t) over loud t, never rising with the lag. */
    private static double[] fastestFalls(double[] level) {
        double top = Arrays.stream(level).max().orElse(0);
        double[] out = new double[LONGEST_LAG + 1];
        for (int lag = 1; lag <= LONGEST_LAG; lag++) {
            double[] falls = new double[level.length];
            int n = 0;
            for (int t = 0; t + lag < level.length; t++) {
                if (level[t] > top - LOUD_DB) falls[n++] = level[t + lag] - level[t];
            }
            double[] sorted = Arrays.copyOf(falls, n);
            Arrays.sort(sorted);
            double fall = n == 0 ? 0 : sorted[(int) (0.02 * (n - 1))];
            out[lag] = Math.min(out[lag - 1], fall);
        }
        return out;
    }

    /** A line through 0.4 s of the curve, from the start (80 to 400 ms) that fits it best. */
    private static Tail tail(double[] fall) {
        Tail best = new Tail(-1, 0, fall[40]);
        double bestError = Double.MAX_VALUE;
        for (int start = 8; start <= 40; start += 2) {
            int end = start;
            while (end + 1 < fall.length && end - start < 40 && fall[end + 1] > FLOOR_DB) end++;
            if (end - start < 12) continue;
            StraightLine line = StraightLine.through(fall, start, end);
            double dbPerS = line.slope() / HOP_S;
            if (dbPerS >= -5) continue;
            if (line.meanSquareError() < bestError) {
                bestError = line.meanSquareError();
                best = new Tail(-60 / dbPerS, line.atZero(), fall[40]);
            }
        }
        return best;
    }
}
