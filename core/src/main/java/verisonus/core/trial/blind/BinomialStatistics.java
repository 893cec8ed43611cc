package verisonus.core.trial.blind;

import org.hipparchus.special.Beta;

/** What a number of right answers says when guessing is right half of the time. */
public final class BinomialStatistics {
    private static final double GUESSING = 0.5;

    private BinomialStatistics() {}

    /** How likely guessing alone gives this many right answers or more. */
    public static double chance(int right, int of) {
        require(right, of);
        if (right == 0) return 1;
        // P(X >= k) of a binomial is a regularised incomplete beta function.
        return Beta.regularizedBeta(GUESSING, right, of - right + 1.0);
    }

    /**
     * Within which share of right answers the listener's true one lies with this confidence (C. J. Clopper, E. S. Pearson, "The use
     * of confidence or fiducial limits illustrated in the case of the binomial", Biometrika 26, 1934).
     *
     * @return lower and upper end
     */
    public static double[] interval(int right, int of, double confidence) {
        require(right, of);
        double tail = (1 - confidence) / 2;
        double low = right == 0 ? 0 : inverse(tail, right, of - right + 1.0);
        double high = right == of ? 1 : inverse(1 - tail, right + 1.0, of - right);
        return new double[]{low, high};
    }

    private static double inverse(double p, double a, double b) {
        double low = 0;
        double high = 1;
        for (int i = 0; i < 60; i++) {
            double middle = (low + high) / 2;
            if (Beta.regularizedBeta(middle, a, b) < p) low = middle;
            else high = middle;
        }
        return (low + high) / 2;
    }

    private static void require(int right, int of) {
        if (of < 1 || right < 0 || right > of) throw new IllegalArgumentException(right + " of " + of);
    }
}
