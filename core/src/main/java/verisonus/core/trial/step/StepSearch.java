package verisonus.core.trial.step;

import java.util.ArrayList;
import java.util.List;

/**
 * Finds the smallest step of something that a listener hears, from answers to "which of the two has more of it?". Each trial is put near
 * where the step is believed to lie (the mean of the belief: P. E. King-Smith et al., "Efficient and unbiased modifications of the QUEST
 * threshold method", 1994), a little under and over it in turn, so that how steeply answers turn right is learnt too; the step is the
 * one told right three times of four ({@link Psychometric}).
 *
 * @param smallest the smallest step that can be asked
 * @param largest the largest
 * @param answers so far
 */
public record StepSearch(double smallest, double largest, List<Answer> answers) {
    public static final int MOST = 60;
    private static final int LEAST = 20;
    /** Ends where the belief is this narrow, natural log. */
    private static final double NARROW = 0.12;
    private static final double[] PLACES = {0.85, 1.5};
    /** The belief is this much too narrow: it held 47 to 54 % of simulated listeners where its own width says 68 %. */
    private static final double HONEST = 1.5;

    /** One trial: how large the step was and whether the answer was right. */
    public record Answer(double step, boolean right) {}

    public StepSearch {
        answers = List.copyOf(answers);
        if (!(smallest > 0 && largest > 2 * smallest)) throw new IllegalArgumentException(smallest + " to " + largest);
    }

    public static StepSearch begin(double smallest, double largest) {
        return new StepSearch(smallest, largest, List.of());
    }

    public StepSearch answered(double step, boolean right) {
        List<Answer> next = new ArrayList<>(answers);
        next.add(new Answer(step, right));
        return new StepSearch(smallest, largest, next);
    }

    /** How large the next step is. */
    public double next() {
        return Math.clamp(PLACES[(answers.size() + 1) % PLACES.length] * step(), smallest, largest);
    }

    /** The step, as far as it is known: geometric mean of the belief. */
    public double step() {
        return Math.exp(belief().meanLog());
    }

    /**
     * How far off it may be, as a factor: within {@code step/factor} and {@code step·factor} lie 68 % of the steps that are found, also
     * of listeners whose answers turn right slowly.
     */
    public double factor() {
        return Math.exp(HONEST * belief().spreadLog());
    }

    public boolean isEnded() {
        return answers.size() >= MOST || answers.size() >= LEAST && belief().spreadLog() < NARROW;
    }

    /** Whether even the largest change was hardly heard, so that the step lies beyond what can be asked. */
    public boolean isBeyond() {
        return step() > 0.8 * largest;
    }

    private Belief belief() {
        double low = Math.log(smallest / 2);
        double high = Math.log(largest * 2);
        double[] asked = answers.stream().mapToDouble(a -> Math.log(a.step)).toArray();
        return Belief.of(low, high, (low + high) / 2, (high - low) / 3, (step, steepness) -> {
            AnswerOdds odds = AnswerOdds.of(steepness);
            double at = Math.log(step);
            double sum = 0;
            for (int i = 0; i < asked.length; i++) sum += odds.log(asked[i] - at, answers.get(i).right);
            return sum;
        });
    }
}
