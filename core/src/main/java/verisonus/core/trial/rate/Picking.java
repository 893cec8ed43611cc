package verisonus.core.trial.rate;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import verisonus.core.work.Figures;

/**
 * Nameless picking: candidates play one after the other, each is kept or passed, and what was kept steers which comes next. The model of
 * what the listener keeps is a {@link Taste} over what the candidates measure; it is a guide to what to hear next, and its words say how
 * sure it is.
 *
 * @param candidates by name with what each measures
 * @param features what the measures are called, as "more bite"
 * @param said which candidate was heard, in order, and whether it was kept
 * @param seed steers what is tried next
 */
public record Picking(List<Measured> candidates, List<String> features, List<Answer> said, long seed) {
    /** Nobody is asked more often than this for each candidate. */
    private static final double MOST_FOR_EACH = 1.5;
    /** The second stands before the third with nine in ten: so many standard deviations. */
    private static final double SURE = 1.28;
    private static final int LEAST = 6;

    /** A candidate and its measures, unscaled. */
    public record Measured(String name, double[] measures) {}

    /** One answer. */
    public record Answer(int candidate, boolean kept) {}

    public Picking {
        candidates = List.copyOf(candidates);
        features = List.copyOf(features);
        said = List.copyOf(said);
        if (candidates.size() < 2) throw new IllegalArgumentException("one candidate leaves nothing to pick");
    }

    public static Picking begin(List<Measured> candidates, List<String> features, long seed) {
        return new Picking(candidates, features, List.of(), seed);
    }

    public Picking answered(int candidate, boolean kept) {
        List<Answer> next = new ArrayList<>(said);
        next.add(new Answer(candidate, kept));
        return new Picking(candidates, features, next, seed);
    }

    /** Which is heard next: one that was heard least, and among those the one that may be liked most. */
    public int next() {
        Taste t = taste();
        double[][] x = scaled();
        SplittableRandom random = new SplittableRandom(seed + said.size());
        int last = said.isEmpty() ? -1 : said.getLast().candidate;
        double best = Double.NEGATIVE_INFINITY;
        int at = 0;
        for (int i = 0; i < x.length; i++) {
            if (i == last) continue;
            double v = t.drawn(x[i], random) - 1.5 * heard(i);
            if (v > best) {
                best = v;
                at = i;
            }
        }
        return at;
    }

    /** Whether the best two are known well enough, or everything has been heard often enough. */
    public boolean isEnded() {
        if (said.size() >= MOST_FOR_EACH * candidates.size()) return true;
        if (said.size() < Math.min(LEAST, candidates.size())) return false;
        List<Integer> order = order();
        if (order.size() < 3) return IntStream.range(0, candidates.size()).allMatch(i -> heard(i) > 0);
        Taste t = taste();
        double[][] x = scaled();
        int second = order.get(1);
        int third = order.get(2);
        double apart = t.liking(x[second]) - t.liking(x[third]);
        double[] difference = new double[x[0].length];
        for (int k = 0; k < difference.length; k++) difference[k] = x[second][k] - x[third][k];
        double spread = Math.sqrt(Math.max(1e-9, variance(t, difference)));
        return apart / spread > SURE;
    }

    private static double variance(Taste t, double[] d) {
        double sum = 0;
        for (int i = 0; i < d.length; i++)
            for (int j = 0; j < d.length; j++) sum += d[i] * t.covariance()[i][j] * d[j];
        return sum;
    }

    /** Candidates, the one most likely to be kept first. */
    public List<Integer> order() {
        Taste t = taste();
        double[][] x = scaled();
        return IntStream.range(0, x.length).boxed()
                .sorted(Comparator.comparingDouble((Integer i) -> -t.liking(x[i]))).toList();
    }

    /** Probability that a candidate would be kept when it is heard again. */
    public double chance(int candidate) {
        return taste().chance(scaled()[candidate]);
    }

    /** "These two, and why": what the two have in common that the listener was found to keep. */
    public String words() {
        List<Integer> order = order();
        Taste t = taste();
        double[][] x = scaled();
        List<String> why = new ArrayList<>();
        for (int k = 0; k < features.size(); k++) {
            double w = t.weights()[k];
            double sure = Math.abs(w) / Math.sqrt(t.covariance()[k][k]);
            double both = (x[order.get(0)][k] + x[order.get(1)][k]) / 2;
            if (sure > 1 && w * both > 0.3) why.add((w > 0 ? "more " : "less ") + features.get(k));
        }
        String two = candidates.get(order.get(0)).name() + " and " + candidates.get(order.get(1)).name();
        String chances = Figures.of(" (would be kept again with %.0f and %.0f %%)",
                100 * chance(order.get(0)), 100 * chance(order.get(1)));
        return two + chances + (why.isEmpty()
                ? ": kept, though nothing that was measured says why."
                : ": you kept what has " + String.join(", ", why) + ".");
    }

    private long heard(int candidate) {
        return said.stream().filter(a -> a.candidate == candidate).count();
    }

    private Taste taste() {
        double[][] x = scaled();
        return Taste.of(said.stream().map(a -> new Taste.Said(x[a.candidate], a.kept)).toList(), features.size());
    }

    private double[][] scaled() {
        int n = candidates.size();
        double[][] out = new double[n][features.size()];
        for (int k = 0; k < features.size(); k++) {
            int f = k;
            double mean = candidates.stream().mapToDouble(c -> c.measures[f]).average().orElse(0);
            double power = candidates.stream().mapToDouble(c -> Math.pow(c.measures[f] - mean, 2)).average().orElse(0);
            double spread = Math.sqrt(power) + 1e-9;
            // What hardly differs among the candidates cannot have decided anything.
            if (spread < 1e-6) continue;
            for (int i = 0; i < n; i++) out[i][k] = (candidates.get(i).measures[k] - mean) / spread;
        }
        return out;
    }
}
