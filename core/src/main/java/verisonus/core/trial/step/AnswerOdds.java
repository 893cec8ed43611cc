package verisonus.core.trial.step;

import java.util.Arrays;

/**
 * The logarithm of how likely a right or wrong answer is, by the log of the size in steps: {@link Psychometric#right} tabulated, as a
 * belief asks for it some ten thousand times after every answer.
 */
final class AnswerOdds {
    /** From a thousandth of a step to a thousand: beyond, the answers are as good as certain or as good as guessed. */
    private static final double WIDEST = Math.log(1000);
    private static final int PLACES = 8192;
    private static final AnswerOdds[] ALL = Arrays.stream(Psychometric.STEEPNESS).mapToObj(AnswerOdds::new)
            .toArray(AnswerOdds[]::new);

    private final double[] right = new double[PLACES + 1];
    private final double[] wrong = new double[PLACES + 1];

    private AnswerOdds(double steepness) {
        for (int i = 0; i <= PLACES; i++) {
            double p = Psychometric.right(Math.exp(WIDEST * (2.0 * i / PLACES - 1)), steepness);
            right[i] = Math.log(p);
            wrong[i] = Math.log(1 - p);
        }
    }

    /** @param steepness one of {@link Psychometric#STEEPNESS} */
    static AnswerOdds of(double steepness) {
        for (int i = 0; i < ALL.length; i++) if (Psychometric.STEEPNESS[i] == steepness) return ALL[i];
        throw new IllegalArgumentException("no table for answers as steep as " + steepness);
    }

    /** Natural logarithm of the probability, off by less than 1e-4. @param logSteps natural log of the size in steps */
    double log(double logSteps, boolean isRight) {
        double at = (Math.clamp(logSteps, -WIDEST, WIDEST) / WIDEST + 1) / 2 * PLACES;
        int i = Math.min((int) at, PLACES - 1);
        double[] table = isRight ? right : wrong;
        return table[i] + (at - i) * (table[i + 1] - table[i]);
    }
}
