package verisonus.core.trial.rate;

import java.util.List;
import java.util.SplittableRandom;

/**
 * What a listener keeps, as weights on what candidates measure: a logistic model with a normal prior, its posterior taken as normal about
 * the peak (D. J. C. MacKay, "The evidence framework applied to classification networks", 1992). Features are scaled to a spread of 1.
 *
 * @param weights by feature; the last is how readily this listener keeps anything
 * @param covariance of the weights
 */
record Taste(double[] weights, double[][] covariance) {
    private static final double PRIOR_SPREAD = 1;
    private static final int STEPS = 30;

    /** One answer: the candidate's features and whether it was kept. */
    record Said(double[] features, boolean kept) {}

    static Taste of(List<Said> said, int features) {
        int n = features + 1;
        double[] w = new double[n];
        double[][] precision = new double[n][n];
        for (int step = 0; step < STEPS; step++) {
            double[] slope = new double[n];
            for (int i = 0; i < n; i++) {
                java.util.Arrays.fill(precision[i], 0);
                precision[i][i] = 1 / (PRIOR_SPREAD * PRIOR_SPREAD);
                slope[i] = -w[i] / (PRIOR_SPREAD * PRIOR_SPREAD);
            }
            for (Said s : said) {
                double[] x = withOne(s.features);
                double p = 1 / (1 + Math.exp(-dot(w, x)));
                for (int i = 0; i < n; i++) {
                    slope[i] += ((s.kept ? 1 : 0) - p) * x[i];
                    for (int j = 0; j < n; j++) precision[i][j] += p * (1 - p) * x[i] * x[j];
                }
            }
            double[][] inverse = inverse(precision);
            for (int i = 0; i < n; i++) w[i] += dot(inverse[i], slope);
        }
        return new Taste(w, inverse(precision));
    }

    /** Mean of the log odds that a candidate is kept. */
    double liking(double[] features) {
        return dot(weights, withOne(features));
    }

    /** Its standard deviation. */
    double doubt(double[] features) {
        double[] x = withOne(features);
        double sum = 0;
        for (int i = 0; i < x.length; i++) sum += x[i] * dot(covariance[i], x);
        return Math.sqrt(sum);
    }

    /** Probability that it is kept, the doubt taken in (MacKay's approximation). */
    double chance(double[] features) {
        double d = doubt(features);
        return 1 / (1 + Math.exp(-liking(features) / Math.sqrt(1 + Math.PI * d * d / 8)));
    }

    /** The liking as it might be: drawn from what is believed, so that what is not known is tried (W. R. Thompson, 1933). */
    double drawn(double[] features, SplittableRandom random) {
        return liking(features) + doubt(features) * random.nextGaussian();
    }

    private static double[] withOne(double[] x) {
        double[] out = java.util.Arrays.copyOf(x, x.length + 1);
        out[x.length] = 1;
        return out;
    }

    private static double dot(double[] a, double[] b) {
        double sum = 0;
        for (int i = 0; i < a.length; i++) sum += a[i] * b[i];
        return sum;
    }

    private static double[][] inverse(double[][] m) {
        int n = m.length;
        double[][] a = new double[n][2 * n];
        for (int i = 0; i < n; i++) {
            System.arraycopy(m[i], 0, a[i], 0, n);
            a[i][n + i] = 1;
        }
        for (int i = 0; i < n; i++) {
            double p = a[i][i];
            for (int j = 0; j < 2 * n; j++) a[i][j] /= p;
            for (int k = 0; k < n; k++) {
                if (k == i) continue;
                double f = a[k][i];
                for (int j = 0; j < 2 * n; j++) a[k][j] -= f * a[i][j];
            }
        }
        double[][] out = new double[n][n];
        for (int i = 0; i < n; i++) System.arraycopy(a[i], n, out[i], 0, n);
        return out;
    }
}
