package verisonus.core.evidence;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Sound;

/**
 * Is there an echo, how late, how loud, how often? Peaks of the {@link Cepstrum} between 60 and 1300 ms are
 * candidates; the {@link CopyTest} tells a copy from a note played again; level and feedback follow from the cepstrum
 * of one delay line in closed form. Input: 2 s or more, any rate, mono or stereo. Silence: absent. Steady repeats
 * only; echoes under 60 ms belong to doubling.
 */
public final class EchoEstimator {
    static final double SHORTEST_S = 0.060;
    static final double LONGEST_S = 1.3;
    private static final int RATE_HZ = 22050;
    private static final int CANDIDATES = 10;
    private static final double STANDS_OUT = 8;
    /** Sides of a ping-pong differ at least this much in their cepstrum at the echo time. */
    private static final double ONE_SIDED = 0.35;

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
        CopyTest copies = new CopyTest(LinearPrediction.residual(mid, 40), RATE_HZ);
        Optional<Accepted> best = choose(candidates, copies, broad);
        if (best.isEmpty()) {
            return Finding
                    .<EchoReading>absent(0.85, "what resembles itself was played again: it does not follow every note")
                    .shownBy(plot);
        }
        return report(s, source, broad, best.get(), plot);
    }

    private record Candidate(int lag, double height, double standsOut) {}

    private record Accepted(Candidate candidate, CopyTest.Verdict verdict) {
        double height() {
            return candidate.height;
        }
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

    private static Optional<Accepted> choose(List<Candidate> candidates, CopyTest copies, Cepstrum broad) {
        List<Accepted> accepted = new ArrayList<>();
        for (Candidate k : candidates) {
            CopyTest.Verdict v = copies.at(k.lag);
            if (isCopy(k, v, broad)) accepted.add(new Accepted(k, v));
        }
        if (accepted.isEmpty()) return Optional.empty();
        Accepted best = accepted.get(0);
        for (int divisor : new int[]{2, 3}) {
            for (Accepted a : accepted) {
                boolean part = Math.abs(a.candidate.lag * divisor - accepted.get(0).candidate.lag) <= 2 * divisor;
                if (part && a.height() > 0.5 * accepted.get(0).height()) best = a;
            }
        }
        return Optional.of(best);
    }

    private static boolean isCopy(Candidate k, CopyTest.Verdict v, Cepstrum broad) {
        boolean follows = k.height >= 0.035 && v.likeness() >= 0.12 && v.lowRatio() >= 0.035;
        if (!follows) return false;
        if (v.ratio() <= 0.72) return v.ratio() <= 2.6 * k.height + 0.02;
        // As loud as the note itself: a single copy has a negative second multiple, playing again has a positive one.
        double second = broad.peakNear(2.0 * k.lag, 2);
        double trough = lowestNear(broad, 2 * k.lag);
        return v.ratio() <= 1.1 && k.height > 0.25 && -trough > second && v.lowRatio() > 0.5 * v.ratio();
    }

    private static double lowestNear(Cepstrum c, int lag) {
        double low = 0;
        for (int l = lag - 2; l <= lag + 2 && l < c.value().length; l++) low = Math.min(low, c.value()[l]);
        return low;
    }

    private static Finding<EchoReading> report(Sound s, Cepstrum.Source source, Cepstrum broad, Accepted best,
            Plot plot) {
        double lag = broad.refinedLag(best.candidate.lag, 2);
        Cepstrum middle = source.band(500, 2000);
        double m = Math.clamp(2 * middle.peakNear(lag, 2), 0.01, 1.2);
        double f = feedback(broad, lag, Math.clamp(2 * broad.peakNear(lag, 2), 0.01, 1.2));
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
        double timeMs = 1000 * lag / RATE_HZ;
        double confidence = Math.clamp(0.70 + 0.6 * best.height() + 0.25 * best.verdict.likeness(), 0, 0.98);
        EchoReading reading = new EchoReading(timeMs, 100 * f, Decibels.fromAmplitude(m), pingPong);
        Plot marked = new Plot(plot.title(), plot.xUnit(), plot.x(), plot.y(), new double[]{timeMs});
        return Finding.present(reading, confidence, String.format(Locale.ROOT,
                "%.1f ms later the recording resembles itself, after every note and at the same ratio", timeMs))
                .shownBy(marked);
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
