package verisonus.core.trial.step;

/**
 * How often a step of some size is told right, "which of the two has more of it?" being asked: Φ(z·(size/step)^k), three of four at the
 * step itself. With k = 1 this is signal detection with d′ in proportion to the size; real listeners are steeper or flatter, so that k is
 * left open between half and two and a half and what is believed of the step is summed over it.
 */
final class Psychometric {
    static final double[] STEEPNESS = {0.6, 1, 1.5, 2.2, 3};
    private static final double THREE_OF_FOUR = 0.6745;
    /** Once in fifty a listener presses the wrong key. */
    private static final double SLIP = 0.02;

    private Psychometric() {}

    /** Probability of a right answer at a size of this many steps. */
    static double right(double steps, double steepness) {
        return SLIP / 2 + (1 - SLIP) * normal(THREE_OF_FOUR * Math.pow(steps, steepness));
    }

    /**
     * The same where a third sound is to be matched to one of two (N. Macmillan and C. Creelman, "Detection Theory", 2005, independent
     * observations): Φ(d′/√2)·Φ(d′/2) + Φ(−d′/√2)·Φ(−d′/2), 59 of 100 at the step itself.
     */
    static double rightOfX(double steps, double steepness) {
        double z = THREE_OF_FOUR * Math.pow(steps, steepness);
        double two = normal(z);
        double half = normal(z / Math.sqrt(2));
        return SLIP / 2 + (1 - SLIP) * (two * half + (1 - two) * (1 - half));
    }

    /** Φ, by Abramowitz and Stegun 26.2.17, error under 1e-7; for 0 and more. */
    private static double normal(double x) {
        double t = 1 / (1 + 0.2316419 * x);
        double p = t * (0.319381530 + t * (-0.356563782 + t * (1.781477937 + t * (-1.821255978 + t * 1.330274429))));
        return 1 - Math.exp(-x * x / 2) / Math.sqrt(2 * Math.PI) * p;
    }
}
