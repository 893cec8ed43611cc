package verisonus.core.trial.rate;

import org.hipparchus.special.Beta;

/** Student's t distribution, for the means of few ratings. */
final class StudentT {
    private StudentT() {}

    /** How likely a value at least as far from 0 is, to either side. */
    static double twoSided(double t, double degrees) {
        if (Double.isInfinite(t)) return 0;
        return Beta.regularizedBeta(degrees / (degrees + t * t), degrees / 2, 0.5);
    }

    /** The value that is passed to either side with this probability. */
    static double quantile(double twoSided, double degrees) {
        double low = 0;
        double high = 1e4;
        for (int i = 0; i < 80; i++) {
            double middle = (low + high) / 2;
            if (twoSided(middle, degrees) > twoSided) low = middle;
            else high = middle;
        }
        return (low + high) / 2;
    }
}
