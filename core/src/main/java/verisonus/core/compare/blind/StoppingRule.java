package verisonus.core.compare.blind;

import java.util.Optional;

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
    /** How often one who tells them apart three times of four may be said not to. */
    public static final double BETA = 0.1;

    public StoppingRule {
        if (most < FEWEST || most > MOST) throw new IllegalArgumentException(most + " trials are not 5 to 100");
    }

    /** What the answers so far decide: true where they can be told apart; empty where it goes on. */
    public Optional<Boolean> decided(int right, int of) {
        if (of == 0) return Optional.empty();
        if (sequential) {
            double ratio = right * Math.log(TELLS / 0.5) + (of - right) * Math.log((1 - TELLS) / 0.5);
            if (ratio >= Math.log((1 - BETA) / ALPHA)) return Optional.of(true);
            if (ratio <= Math.log(BETA / (1 - ALPHA))) return Optional.of(false);
        }
        if (of < most) return Optional.empty();
        return Optional.of(BinomialStatistics.chance(right, of) <= ALPHA);
    }

    public String words() {
        return sequential
                ? "ends as soon as the answers decide, after " + most + " at the latest"
                : most + " answers, whatever they are";
    }
}
