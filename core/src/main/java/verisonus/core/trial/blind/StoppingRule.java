package verisonus.core.trial.blind;

import java.util.Optional;
import verisonus.core.work.Figures;

/**
 * When a trial ends, said before it begins: after a fixed number of answers, or as soon as the answers so far decide (A. Wald,
 * "Sequential tests of statistical hypotheses", 1945), at the latest after as many as planned.
 *
 * @param most answers at the most
 * @param sequential whether it may end sooner
 */
public record StoppingRule(int most, boolean sequential) {
    public static final int FEWEST = 5;
    public static final int MOST = 100;
    /** Share of right answers from which two sounds count as told apart: half way between guessing and knowing. */
    private static final double TELLS = 0.75;
    /** How often one who guesses may be said to tell them apart. */
    public static final double ALPHA = 0.05;
    /** How often one who tells them apart three times of four may be said not to, were there no last answer. */
    public static final double BETA = 0.1;

    public StoppingRule {
        if (most < FEWEST || most > MOST) throw new IllegalArgumentException(most + " trials are not 5 to 100");
    }

    /** What the answers so far decide: true where they can be told apart; empty where it goes on. */
    public Optional<Boolean> decided(int right, int of) {
        if (of == 0) return Optional.empty();
        if (sequential) {
            Optional<Boolean> sooner = sooner(right, of);
            if (sooner.isPresent()) return sooner;
        }
        if (of < most) return Optional.empty();
        return Optional.of(right >= fewestRight());
    }

    private static Optional<Boolean> sooner(int right, int of) {
        double ratio = right * Math.log(TELLS / 0.5) + (of - right) * Math.log((1 - TELLS) / 0.5);
        if (ratio >= Math.log((1 - BETA) / ALPHA)) return Optional.of(true);
        if (ratio <= Math.log(BETA / (1 - ALPHA))) return Optional.of(false);
        return Optional.empty();
    }

    /** So many right answers at the end say that they are told apart: with all ways to get there, guessing does it once in 20 at most. */
    private int fewestRight() {
        int k = most;
        while (k > most / 2 && said(0.5, k - 1) <= ALPHA) k--;
        return k;
    }

    /** How often one who is right with this probability is said to tell them apart. */
    public double saidToTell(double rightShare) {
        return said(rightShare, fewestRight());
    }

    /** How often one who is right three times of four is not said to tell them apart. */
    public double misses() {
        return 1 - saidToTell(TELLS);
    }

    private double said(double p, int fewest) {
        double[] chance = new double[most + 2];
        chance[0] = 1;
        double told = 0;
        for (int n = 1; n <= most; n++) {
            double[] next = new double[most + 2];
            for (int k = 0; k < n; k++) {
                next[k + 1] += chance[k] * p;
                next[k] += chance[k] * (1 - p);
            }
            for (int k = 0; k <= n; k++) {
                Optional<Boolean> sooner = sequential ? sooner(k, n) : Optional.empty();
                if (sooner.isEmpty()) continue;
                if (sooner.get()) told += next[k];
                next[k] = 0;
            }
            chance = next;
        }
        for (int k = fewest; k <= most; k++) told += chance[k];
        return told;
    }

    /**
     * How likely one who guesses comes to this end, or to one that says more: of a fixed number of answers as many right or more;
     * of a sequential trial all ends that said so sooner, too (stagewise order; P. Armitage, "Sequential medical trials", 1975).
     *
     * @param right of the answers at the end, {@code of} in all
     */
    public double chance(int right, int of) {
        if (!sequential) return BinomialStatistics.chance(right, of);
        boolean refused = sooner(right, of).filter(told -> !told).isPresent();
        double[] way = new double[of + 2];
        way[0] = 1;
        double told = 0;
        double refusedBefore = 0;
        for (int n = 1; n <= of; n++) {
            double[] next = new double[of + 2];
            for (int k = 0; k < n; k++) {
                next[k + 1] += way[k] / 2;
                next[k] += way[k] / 2;
            }
            for (int k = 0; k <= n; k++) {
                Optional<Boolean> end = sooner(k, n);
                if (end.isEmpty()) continue;
                if (end.get()) told += next[k];
                else if (n < of) refusedBefore += next[k];
                next[k] = 0;
            }
            way = next;
        }
        if (refused) return 1 - refusedBefore;
        if (sooner(right, of).isPresent()) return told;
        for (int k = right; k <= of; k++) told += way[k];
        return told;
    }

    public String words() {
        return sequential
                ? "ends as soon as the answers decide, after " + most + " at the latest"
                : most + " answers, whatever they are";
    }

    /** What the rule can and cannot tell, said before it begins. */
    public String powerWords() {
        return Figures.of("One who guesses is said to tell them apart %.0f times in 100; one who is right"
                + " three times of four is missed %.0f times in 100.",
                100 * saidToTell(0.5), 100 * misses());
    }
}
