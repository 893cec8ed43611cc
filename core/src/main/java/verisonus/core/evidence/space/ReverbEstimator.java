package verisonus.core.evidence.space;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Network;
import verisonus.core.evidence.signs.OctaveEnergies;
import verisonus.core.evidence.signs.Plot;
import verisonus.core.evidence.signs.Signs;
import verisonus.core.evidence.signs.StraightLine;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;

/**
 * Is there a space, and how long does it ring? A stopped string falls at once, a reverberant tail never faster than its own
 * rate: in each octave the fastest fall ever seen over a lag shows the tail (idea of R. Ratnam et al., "Blind estimation of
 * reverberation time", JASA 2003). Let-ring playing has no stopped note: then the answer is unknown. Pre-delay and level
 * cannot be read this way. Input: mono mid, 4 s or more. Known error on made-up cases: decay 15 % in the median.
 */
public final class ReverbEstimator {
    public static final int RATE_HZ = OctaveEnergies.RATE_HZ;
    private static final double HOP_S = 0.01;
    private static final int LONGEST_LAG = 80;
    private static final double LOUD_DB = 18;
    private static final double FLOOR_DB = -48;

    /** Middle of each answer of the network after the first, which stands for none. */
    private static final double[] DECAYS_S = {0.5, 0.75, 1.14, 1.73, 2.62};
    private static final double SURE = 0.75;
    /** A fall of this much within 0.4 s leaves no tail that a recording could show. */
    private static final double STOPPED_DB = -42;
    /** Where a tail starts this far under the notes, a note was seen to stop; otherwise strings or a slow release could ring on. */
    private static final double UNDER_DB = -6;
    /**
     * The network's own probabilities hold for its kind of cases. On instruments and effects of other makers strings that ring on pass
     * for halls, and short rooms for none: what is stated is no surer than it was right there.
     */
    private static final double MOST_WITH_STOPPED_NOTE = 0.83;
    private static final double MOST_RINGING = 0.55;
    private static final double MOST_ABSENT = 0.92;
    private static final double LONGEST_S = 6;
    private static final Network NETWORK = Network.beside(ReverbEstimator.class, "reverb-alone.csv", signNames());

    private ReverbEstimator() {}

    /**
     * The tail of one octave.
     *
     * @param offsetDb where its line starts
     */
    private record Tail(double decayS, double offsetDb) {}

    public static Finding<ReverbReading> estimate(Sound sound) {
        if (sound.durationS() < 4) return Finding.unknown("too short to see a note stop");
        double[] p = NETWORK.probabilities(signs(sound));
        double[] fall = fastest(sound);
        Plot plot = plot(fall);
        if (p[0] >= SURE) {
            return Finding.<ReverbReading>absent(Math.min(p[0], MOST_ABSENT), Figures.of(
                    "stopped notes fall %.0f dB within 0.4 s: nothing rings behind them; a short room would hardly show",
                    -fall[40])).shownBy(plot);
        }
        Optional<Tail> tail = agreed(sound);
        if (1 - p[0] < SURE || tail.isEmpty() || fall[40] < STOPPED_DB) {
            return Finding.<ReverbReading>unknown("no note stops short enough: a space cannot be told from the strings")
                    .shownBy(plot);
        }
        double log = 0;
        for (int k = 1; k < p.length; k++) log += p[k] / (1 - p[0]) * Math.log(DECAYS_S[k - 1]);
        // The network knows what its cases know, the line through the falls what it sees: half of each.
        double decay = Math.exp(0.5 * (log + Math.log(tail.get().decayS)));
        boolean stopped = tail.get().offsetDb < UNDER_DB;
        return Finding.present(new ReverbReading(decay, OptionalDouble.empty(), OptionalDouble.empty()),
                Math.min(1 - p[0], stopped ? MOST_WITH_STOPPED_NOTE : MOST_RINGING),
                Figures.of("no note falls faster than %.0f dB within 0.4 s%s", -fall[40],
                        stopped ? "" : "; strings left to ring would do that too"))
                .shownBy(plot);
    }

    /** The tail that three octaves or more agree on; strings that ring on can only make it look longer. */
    private static Optional<Tail> agreed(Sound sound) {
        double[] logs = new double[OctaveEnergies.CENTRES_HZ.length];
        double[] offsets = new double[OctaveEnergies.CENTRES_HZ.length];
        int n = 0;
        for (double[] level : octaveLevels(sound.atRate(RATE_HZ).mid())) {
            Tail t = tail(fastestFalls(level, 0.02));
            if (t.decayS <= 0 || t.decayS > LONGEST_S) continue;
            logs[n] = Math.log(t.decayS);
            offsets[n++] = t.offsetDb;
        }
        if (n < 3) return Optional.empty();
        double mean = Arrays.stream(logs, 0, n).average().orElse(0);
        double deviation = Math.sqrt(Arrays.stream(logs, 0, n).map(l -> (l - mean) * (l - mean)).average().orElse(0));
        Arrays.sort(logs, 0, n);
        Arrays.sort(offsets, 0, n);
        double offset = 0.5 * (offsets[(n - 1) / 2] + offsets[n / 2]);
        if (deviation > 0.55 || offset < -33 || offset > -3.5) return Optional.empty();
        return Optional.of(new Tail(Math.exp((logs[0] + logs[1]) / 2), offset));
    }

    /** Median over octaves of the fastest fall by lag. */
    private static double[] fastest(Sound sound) {
        double[][] levels = octaveLevels(sound.atRate(RATE_HZ).mid());
        double[][] falls = new double[levels.length][];
        for (int b = 0; b < levels.length; b++) falls[b] = fastestFalls(levels[b], 0.02);
        double[] out = new double[falls[0].length];
        for (int lag = 0; lag < out.length; lag++) {
            double[] v = new double[falls.length];
            for (int b = 0; b < v.length; b++) v[b] = falls[b][lag];
            Arrays.sort(v);
            out[lag] = 0.5 * (v[1] + v[2]);
        }
        return out;
    }

    private static Plot plot(double[] fall) {
        double[] x = new double[fall.length];
        for (int i = 0; i < x.length; i++) x[i] = 1000 * i * HOP_S;
        return new Plot("the fastest fall ever seen, dB", "ms", x, fall, new double[]{400});
    }

    /** Signs of the fastest falls in every octave, then of the whole range, for {@link Network}; sounds of 4 s or more. */
    public static double[] signs(Sound sound) {
        double[][] levels = octaveLevels(sound.atRate(RATE_HZ).mid());
        DoubleStream falls = Arrays.stream(levels).flatMapToDouble(l -> Arrays.stream(falls(l).values()));
        return DoubleStream.concat(falls, Arrays.stream(range(levels).values())).toArray();
    }

    /** Of a row of signs. */
    public static List<String> signNames() {
        Stream<String> falls = Arrays.stream(OctaveEnergies.CENTRES_HZ).boxed()
                .flatMap(hz -> Signs.names(FallSign.class, Figures.of("AT_%.0f_HZ", hz)));
        return Stream.concat(falls, Signs.names(RangeSign.class).stream()).toList();
    }

    private static Signs<FallSign> falls(double[] level) {
        double[] fast = fastestFalls(level, 0.02);
        double[] usual = fastestFalls(level, 0.12);
        Tail t = tail(fast);
        return Signs.of(FallSign.class, sign -> switch (sign) {
            case FAST_50_MS -> fast[5];
            case FAST_100_MS -> fast[10];
            case FAST_200_MS -> fast[20];
            case FAST_400_MS -> fast[40];
            case FAST_800_MS -> fast[80];
            case USUAL_50_MS -> usual[5];
            case USUAL_100_MS -> usual[10];
            case USUAL_200_MS -> usual[20];
            case USUAL_400_MS -> usual[40];
            case USUAL_800_MS -> usual[80];
            case TAIL_DECAY -> t.decayS > 0 ? Math.log(t.decayS) : 2;
            case TAIL_START -> t.offsetDb;
            case SPREAD -> usual[20] - fast[20];
        });
    }

    private static Signs<RangeSign> range(double[][] levels) {
        double[] all = new double[levels[0].length];
        for (int t = 0; t < all.length; t++) for (double[] level : levels) all[t] = Math.max(all[t], level[t] + 200);
        Arrays.sort(all);
        double loud = all[(int) (0.95 * (all.length - 1))];
        return Signs.of(RangeSign.class, sign -> switch (sign) {
            case WHOLE -> loud - all[(int) (0.05 * (all.length - 1))];
            case UPPER -> loud - all[(int) (0.30 * (all.length - 1))];
        });
    }

    /** Level of each octave every 10 ms, averaged over 40 ms, dB. */
    private static double[][] octaveLevels(float[] x) {
        double[][] energy = OctaveEnergies.of(x);
        int n = energy[0].length;
        double[][] out = new double[OctaveEnergies.CENTRES_HZ.length][n];
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

    /** For each lag a quantile of L(t+lag) − L(t) over loud t, never rising with the lag. */
    private static double[] fastestFalls(double[] level, double share) {
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
            double fall = n == 0 ? 0 : sorted[(int) (share * (n - 1))];
            out[lag] = Math.min(out[lag - 1], fall);
        }
        return out;
    }

    /** A line through 0.4 s of the curve, from the start (80 to 400 ms) that fits it best. */
    private static Tail tail(double[] fall) {
        Tail best = new Tail(-1, 0);
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
                best = new Tail(-60 / dbPerS, line.atZero());
            }
        }
        return best;
    }
}
