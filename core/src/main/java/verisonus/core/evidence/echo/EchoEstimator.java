package verisonus.core.evidence.echo;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import verisonus.core.evidence.signs.Cepstrum;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.LinearPrediction;
import verisonus.core.evidence.signs.Network;
import verisonus.core.evidence.signs.Plot;
import verisonus.core.evidence.signs.Signs;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;

/**
 * Is there an echo, how late, how loud, how often? Peaks of the {@link Cepstrum} between 60 and 1300 ms are
 * candidates; the {@link CopyLikeness} tells a copy from a note played again; level and feedback follow from the cepstrum
 * of one delay line in closed form. Input: 2 s or more, any rate, mono or stereo. Silence: absent. Steady repeats
 * only; echoes under 60 ms belong to doubling.
 */
public final class EchoEstimator {
    static final double SHORTEST_S = 0.060;
    static final double LONGEST_S = 1.3;
    private static final int RATE_HZ = 22050;
    private static final int CANDIDATES = 12;
    private static final double STANDS_OUT = 6;
    /** Sides of a ping-pong differ at least this much in their cepstrum at the echo time. */
    private static final double ONE_SIDED = 0.35;

    /** Shorter repeats that return this much are the flutter of a space, or the loops of a reverb. */
    private static final double FLUTTER_MS = 95;
    private static final double FLUTTER_PERCENT = 45;
    private static final double ACCEPTED = 0.6;
    private static final double DOUBTFUL = 0.4;
    /** Repeats that lose more than this of their highs are called darkened. */
    private static final double DARK_DB = 2.5;
    private static final Network NETWORK = Network.beside(EchoEstimator.class, "echo.csv",
            Signs.names(EchoSign.class));

    private EchoEstimator() {}

    public static Finding<EchoReading> estimate(Sound sound) {
        if (sound.durationS() < 2) return Finding.unknown("too short to tell an echo from playing");
        Sound s = sound.atRate(RATE_HZ);
        float[] mid = s.mid();
        Cepstrum.Source source = new Cepstrum.Source(mid, RATE_HZ);
        Cepstrum broad = source.band(60, 5000);
        Plot plot = plot(broad);
        List<Candidate> candidates = candidates(broad);
        if (candidates.isEmpty()) {
            return Finding.<EchoReading>absent(0.92, "the recording nowhere resembles itself a moment later")
                    .shownBy(plot);
        }
        List<Judged> judged = judged(mid, source, broad, candidates);
        List<Judged> accepted = judged.stream().filter(j -> j.probability >= ACCEPTED).toList();
        if (accepted.isEmpty()) {
            double doubt = judged.stream().mapToDouble(Judged::probability).max().orElse(0);
            if (doubt > DOUBTFUL) {
                return Finding.<EchoReading>unknown("something comes back, but not clearly after every note")
                        .shownBy(plot);
            }
            return Finding.<EchoReading>absent(Math.min(0.95, 1 - doubt),
                    "what resembles itself was played again; repeats whose time sways would not show").shownBy(plot);
        }
        Judged first = shortest(accepted);
        Finding<EchoReading> found = report(s, source, broad, first, plot);
        EchoReading r = found.value().orElseThrow();
        if (r.timeMs() < FLUTTER_MS && r.feedbackPercent() > FLUTTER_PERCENT) {
            return Finding
                    .<EchoReading>unknown(Figures.of(
                            "what comes back every %.0f ms comes back so often that it is rather a small space",
                            r.timeMs()))
                    .shownBy(plot);
        }
        Optional<EchoReading> second = second(judged, first).map(j -> reading(s, source, broad, j.lag()));
        return second.isEmpty() ? found : found.map(e -> e.with(e.character(), second));
    }

    private record Candidate(int lag, double height, double standsOut) {}

    /** A lag with the figures that speak for or against a copy, and what they weigh. */
    private record Judged(int lag, double height, double probability) {}

    /**
     * A lag at which the recording resembles itself.
     *
     * @param signs what speaks for a copy there, for {@link Network}, in the order of its training
     */
    public record Likeness(double lagMs, double[] signs) {}

    /** Lags at which the recording resembles itself, the likest first. */
    public static List<Likeness> likenesses(Sound sound) {
        float[] mid = sound.atRate(RATE_HZ).mid();
        Cepstrum.Source source = new Cepstrum.Source(mid, RATE_HZ);
        Cepstrum broad = source.band(60, 5000);
        List<Candidate> candidates = candidates(broad);
        List<Likeness> out = new ArrayList<>();
        for (Signs<EchoSign> signs : signs(mid, source, broad, candidates))
            out.add(new Likeness(1000.0 * candidates.get(out.size()).lag / RATE_HZ, signs.values()));
        return out;
    }

    private static List<Signs<EchoSign>> signs(float[] mid, Cepstrum.Source source, Cepstrum broad,
            List<Candidate> candidates) {
        CopyLikeness copies = new CopyLikeness(LinearPrediction.residual(mid, 40), RATE_HZ);
        Cepstrum low = source.band(60, 800);
        Cepstrum middle = source.band(500, 2000);
        Cepstrum high = source.band(2000, 5000);
        double top = candidates.isEmpty() ? 1 : candidates.get(0).height;
        List<Signs<EchoSign>> out = new ArrayList<>();
        for (Candidate k : candidates) {
            CopyLikeness.Comparison v = copies.at(k.lag);
            double lag = broad.refinedLag(k.lag, 2);
            double m = Math.clamp(2 * broad.peakNear(lag, 2), 0.01, 1.2);
            double second = broad.extremeNear(2 * lag, 2);
            double f = Math.clamp((4 * second + m * m) / (2 * m), -1, 1);
            double third = broad.extremeNear(3 * lag, 3);
            double expected = (f * f * f - Math.pow(f - m, 3)) / 6;
            out.add(Signs.of(EchoSign.class, sign -> switch (sign) {
                case HEIGHT -> k.height;
                case STANDS_OUT -> Math.log(k.standsOut);
                case SECOND -> second;
                case SECOND_TO_FIRST -> second / k.height;
                case THIRD_OFF_EXPECTED -> third - expected;
                case HALF_LAG -> broad.extremeNear(lag / 2, 1);
                case LOW_TO_ALL -> low.peakNear(lag, 2) / k.height;
                case MIDDLE_TO_ALL -> middle.peakNear(lag, 2) / k.height;
                case HIGH_TO_ALL -> high.peakNear(lag, 2) / k.height;
                case LIKENESS -> v.likeness();
                case LOW_RATIO -> v.lowRatio();
                case RATIO -> v.ratio();
                case RATIO_SPREAD -> v.ratioSpread();
                case RATIO_OVER_HEIGHT -> v.ratio() - 2.6 * k.height;
                case LOW_RATIO_TO_RATIO -> v.lowRatio() / Math.max(v.ratio(), 0.02);
                case TO_HIGHEST -> k.height / top;
                case SKIRT -> broad.at(lag + 1.5) / k.height;
                case CROWD -> candidates.size() / (double) CANDIDATES;
                case FEEDBACK -> f;
                case LAG -> lag / RATE_HZ;
            }));
        }
        return out;
    }

    private static List<Judged> judged(float[] mid, Cepstrum.Source source, Cepstrum broad,
            List<Candidate> candidates) {
        List<Judged> out = new ArrayList<>();
        for (Signs<EchoSign> signs : signs(mid, source, broad, candidates)) {
            Candidate k = candidates.get(out.size());
            // What comes back as loud as it was, and again after twice the time, is a note that is played on and on.
            boolean playedOn = signs.get(EchoSign.RATIO) > 0.8 && signs.get(EchoSign.SECOND) > 0;
            out.add(new Judged(k.lag, k.height, playedOn ? 0 : NETWORK.probabilities(signs.values())[1]));
        }
        return out;
    }

    /** The highest, or half or a third of it where that is a copy too: repeats of repeats come later. */
    private static Judged shortest(List<Judged> accepted) {
        Judged top = accepted.stream().max(Comparator.comparingDouble(Judged::height)).orElseThrow();
        Judged best = top;
        for (int divisor : new int[]{2, 3}) {
            for (Judged a : accepted) {
                boolean part = Math.abs(a.lag * divisor - top.lag) <= 2 * divisor;
                if (part && a.height > 0.5 * top.height) best = a;
            }
        }
        return best;
    }

    /** The highest other copy whose lag the first one's repeats do not explain. */
    private static Optional<Judged> second(List<Judged> judged, Judged first) {
        return judged.stream().filter(j -> j.probability >= ACCEPTED && j.height > 0.03)
                .filter(j -> !isMultiple(j.lag, first.lag) && !isMultiple(first.lag, j.lag))
                .max(Comparator.comparingDouble(Judged::height));
    }

    private static boolean isMultiple(int lag, int of) {
        int n = (int) Math.round((double) lag / of);
        return n >= 1 && Math.abs(lag - n * of) <= 0.004 * RATE_HZ;
    }

    /** Highest peaks over their surroundings, at most {@value #CANDIDATES}. */
    private static List<Candidate> candidates(Cepstrum c) {
        float[] v = c.value();
        int from = (int) (SHORTEST_S * RATE_HZ);
        int to = (int) Math.min(v.length - 2.0, LONGEST_S * RATE_HZ);
        double[] centred = lessLocalMean(v, (int) (0.010 * RATE_HZ), to + RATE_HZ / 10);
        double[] rms = localRms(centred, (int) (0.040 * RATE_HZ));
        List<Candidate> found = new ArrayList<>();
        for (int l = from; l < to; l++) {
            if (centred[l] <= centred[l - 1] || centred[l] < centred[l + 1]) continue;
            double z = centred[l] / (rms[l] + 1e-9);
            if (z > STANDS_OUT) found.add(new Candidate(l, centred[l], z));
        }
        found.sort(Comparator.comparingDouble((Candidate k) -> -k.height));
        return found.subList(0, Math.min(CANDIDATES, found.size()));
    }

    private static Finding<EchoReading> report(Sound s, Cepstrum.Source source, Cepstrum broad, Judged best,
            Plot plot) {
        EchoReading reading = reading(s, source, broad, best.lag);
        Plot marked = new Plot(plot.title(), plot.xUnit(), plot.x(), plot.y(), new double[]{reading.timeMs()});
        return Finding.present(reading, Math.min(0.98, best.probability),
                Figures.of("%.1f ms later the recording resembles itself, after every note and at the same ratio",
                        reading.timeMs()))
                .shownBy(marked);
    }

    private static EchoReading reading(Sound s, Cepstrum.Source source, Cepstrum broad, int near) {
        double lag = broad.refinedLag(near, 2);
        double low = 2 * source.band(300, 1200).peakNear(lag, 2);
        double m = Math.clamp(low, 0.01, 1.2);
        double f = feedback(broad, lag, Math.clamp(2 * broad.peakNear(lag, 2), 0.01, 1.2));
        double darker = darkerDb(source, lag, m);
        if (darker > DARK_DB) {
            Cepstrum lows = source.band(60, 1000);
            f = feedback(lows, lag, Math.clamp(2 * lows.peakNear(lag, 2), 0.01, 1.2));
            // What a low-pass takes even below 1 kHz.
            m = Math.min(1.2, Math.max(m, 2 * source.band(100, 700).peakNear(lag, 2)));
        } else {
            m = Math.clamp(2 * source.band(500, 2000).peakNear(lag, 2), 0.01, 1.2);
        }
        m = Math.min(1.2, m / (1 - cutShare(s.mid(), lag)));
        boolean pingPong = false;
        if (s.isStereo()) {
            Sides sides = Sides.of(s, lag);
            pingPong = sides.weak < ONE_SIDED * sides.strong && sides.strong > 0.03;
            if (pingPong) {
                m = Math.clamp(2 * sides.strong, 0.01, 1.2);
                f = Math.clamp(sides.weakAtDouble / sides.strong, 0, 1);
            }
        }
        return new EchoReading(1000 * lag / RATE_HZ, 100 * f, Decibels.fromAmplitude(m), pingPong,
                new EchoReading.Character(darker, true), Optional.empty());
    }

    /** How much less of the highs than of the lows comes back, dB, 0 to 20. */
    private static double darkerDb(Cepstrum.Source source, double lag, double low) {
        double high = Math.max(0.005, 2 * source.band(2000, 5000).peakNear(lag, 2));
        return Math.clamp(Decibels.fromAmplitude(low / high), 0, 20);
    }

    /** Share of the energy whose echo falls after the end of the region and is not heard. */
    private static double cutShare(float[] x, double lag) {
        double all = 1e-12;
        double last = 0;
        for (int i = 0; i < x.length; i++) {
            double e = (double) x[i] * x[i];
            all += e;
            if (i >= x.length - lag) last += e;
        }
        return Math.min(0.3, last / all);
    }

    /** Of m·z^−T/(1−f·z^−T): f = (4·c(2T) + m²)/(2m). */
    private static double feedback(Cepstrum c, double lag, double m) {
        double second = c.at(2 * lag);
        double peak = Math.abs(c.peakNear(2 * lag, 1)) > Math.abs(second) ? c.peakNear(2 * lag, 1) : second;
        return Math.clamp((4 * peak + m * m) / (2 * m), 0, 0.98);
    }

    /** What the two channels say at the echo time. */
    private record Sides(double strong, double weak, double weakAtDouble) {
        static Sides of(Sound s, double lag) {
            Cepstrum left = new Cepstrum.Source(s.channel(0), RATE_HZ).band(300, 2500);
            Cepstrum right = new Cepstrum.Source(s.channel(1), RATE_HZ).band(300, 2500);
            double l = Math.max(0, left.peakNear(lag, 2));
            double r = Math.max(0, right.peakNear(lag, 2));
            Cepstrum weak = l > r ? right : left;
            return new Sides(Math.max(l, r), Math.min(l, r), Math.max(0, weak.peakNear(2 * lag, 3)));
        }
    }

    private static Plot plot(Cepstrum c) {
        int n = (int) Math.min(c.value().length, LONGEST_S * RATE_HZ);
        int from = (int) (0.05 * RATE_HZ);
        double[] x = new double[n - from];
        double[] y = new double[n - from];
        for (int i = 0; i < x.length; i++) {
            x[i] = 1000.0 * (from + i) / RATE_HZ;
            y[i] = c.value()[from + i];
        }
        return new Plot("how well the recording matches itself, shifted", "ms", x, y, new double[0]).thinnedTo(600);
    }

    private static double[] lessLocalMean(float[] v, int half, int count) {
        int n = Math.min(count, v.length);
        double[] sum = new double[n + 1];
        for (int i = 0; i < n; i++) sum[i + 1] = sum[i] + v[i];
        double[] out = new double[n];
        for (int i = 0; i < n; i++) {
            int from = Math.max(0, i - half);
            int to = Math.min(n, i + half + 1);
            out[i] = v[i] - (sum[to] - sum[from]) / (to - from);
        }
        return out;
    }

    private static double[] localRms(double[] v, int half) {
        double[] sum = new double[v.length + 1];
        for (int i = 0; i < v.length; i++) sum[i + 1] = sum[i] + v[i] * v[i];
        double[] out = new double[v.length];
        for (int i = 0; i < v.length; i++) {
            int from = Math.max(0, i - half);
            int to = Math.min(v.length, i + half + 1);
            out[i] = Math.sqrt((sum[to] - sum[from]) / (to - from));
        }
        return out;
    }
}
