package verisonus.core.trial.rate;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import verisonus.core.work.Figures;

/**
 * What a rating came to.
 *
 * @param rows each sound's mean with the interval that holds the true one with 95 %, highest first
 * @param notToldApart pairs of candidates whose ratings do not differ by more than chance makes them
 * @param doubts what makes the listener's ratings doubtful, in words; empty where nothing does
 */
public record RatingResult(List<Row> rows, List<Pair> notToldApart, List<String> doubts) {
    /** Ratings of the hidden reference below this say that it was not recognised. */
    private static final double MISSED_UNDER = 80;
    private static final double CONFIDENCE = 0.05;

    public RatingResult {
        rows = List.copyOf(rows);
        notToldApart = List.copyOf(notToldApart);
        doubts = List.copyOf(doubts);
    }

    /** One sound. */
    public record Row(String name, double mean, double low, double high) {
        public String words() {
            return Figures.of("%s: %.0f, %s (%.0f to %.0f)", name, mean, RatingTrial.word(mean),
                    low, high);
        }
    }

    /** Two that were not told apart. */
    public record Pair(String one, String other) {}

    /** One comparison of many. */
    private record Compared(Pair pair, double p) {}

    public static RatingResult of(RatingTrial t) {
        if (t.given().size() < 2) throw new IllegalArgumentException("one round has no spread");
        List<Row> rows = new ArrayList<>();
        for (int s = 0; s < t.sounds(); s++) rows.add(row(t, s));
        List<String> doubts = doubts(t, rows);
        List<Pair> pairs = notToldApart(t);
        rows.sort(Comparator.comparingDouble((Row r) -> -r.mean()));
        return new RatingResult(rows, pairs, doubts);
    }

    private static Row row(RatingTrial t, int sound) {
        double[] v = t.given().stream().mapToDouble(r -> r.get(sound)).toArray();
        double mean = mean(v);
        double half = StudentT.quantile(CONFIDENCE, v.length - 1.0) * spread(v, mean) / Math.sqrt(v.length);
        return new Row(t.name(sound), mean, Math.max(0, mean - half), Math.min(100, mean + half));
    }

    private static List<String> doubts(RatingTrial t, List<Row> rows) {
        List<String> out = new ArrayList<>();
        long missed = t.given().stream().filter(r -> r.getFirst() < MISSED_UNDER).count();
        if (missed > 0) {
            out.add(Figures.of(
                    "the hidden record was not recognised in %d of %d rounds: the ratings lean on few differences",
                    missed, t.given().size()));
        }
        double anchor = rows.get(1).mean();
        for (Row r : rows.subList(2, rows.size())) {
            if (r.mean() < anchor) out.add(r.name() + " was rated under the low anchor");
        }
        return out;
    }

    /** Paired comparisons, held down for their number (S. Holm, 1979): what is not shown to differ is not told apart. */
    private static List<Pair> notToldApart(RatingTrial t) {
        List<Compared> all = new ArrayList<>();
        for (int a = 2; a < t.sounds(); a++) {
            for (int b = a + 1; b < t.sounds(); b++) all.add(compared(t, a, b));
        }
        for (int a = 2; a < t.sounds(); a++) all.add(compared(t, a, 0));
        all.sort(Comparator.comparingDouble(Compared::p));
        List<Pair> out = new ArrayList<>();
        boolean differ = true;
        for (int i = 0; i < all.size(); i++) {
            differ = differ && all.get(i).p * (all.size() - i) <= CONFIDENCE;
            if (!differ) out.add(all.get(i).pair);
        }
        return out;
    }

    private static Compared compared(RatingTrial t, int a, int b) {
        double[] d = t.given().stream().mapToDouble(r -> r.get(a) - r.get(b)).toArray();
        double mean = mean(d);
        double s = spread(d, mean);
        // Equal distance in every round still leaves the scale's own step as spread.
        double error = Math.max(s, 1) / Math.sqrt(d.length);
        return new Compared(new Pair(t.name(a), t.name(b)), StudentT.twoSided(mean / error, d.length - 1.0));
    }

    private static double mean(double[] v) {
        double sum = 0;
        for (double x : v) sum += x;
        return sum / v.length;
    }

    private static double spread(double[] v, double mean) {
        double sum = 0;
        for (double x : v) sum += (x - mean) * (x - mean);
        return Math.sqrt(sum / (v.length - 1));
    }
}
