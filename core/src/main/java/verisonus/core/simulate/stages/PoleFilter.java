package verisonus.core.simulate.stages;

/**
 * One pole at a raised rate, by the trapezoidal rule: what lies under its corner, or above it. Two samples a step, so that the state waits
 * for one multiplication and one addition in two samples.
 */
final class PoleFilter {
    private static final double NOTHING = 1e-20;

    private final double cut;
    private final double keep;
    private final double take;
    private double state;

    /** @param coefficient of the corner, as {@link RaisedRate#pole} gives it */
    PoleFilter(double coefficient) {
        cut = coefficient;
        keep = 1 - 2 * coefficient;
        take = 2 * coefficient;
    }

    /** Leaves what lies under the corner, in place. */
    void low(double[] x, int n) {
        double s = state;
        int i = 0;
        for (; i + 1 < n; i += 2) {
            double a = x[i];
            double b = x[i + 1];
            double between = keep * s + take * a;
            x[i] = s + cut * (a - s);
            x[i + 1] = between + cut * (b - between);
            s = keep * keep * s + (keep * take * a + take * b);
        }
        if (i < n) {
            double a = x[i];
            x[i] = s + cut * (a - s);
            s = keep * s + take * a;
        }
        state = Math.abs(s) < NOTHING ? 0 : s;
    }

    /** Leaves what lies above the corner, in place. */
    void high(double[] x, int n) {
        double s = state;
        double pass = 1 - cut;
        int i = 0;
        for (; i + 1 < n; i += 2) {
            double a = x[i];
            double b = x[i + 1];
            x[i] = pass * (a - s);
            x[i + 1] = pass * (b - (keep * s + take * a));
            s = keep * keep * s + (keep * take * a + take * b);
        }
        if (i < n) {
            double a = x[i];
            x[i] = pass * (a - s);
            s = keep * s + take * a;
        }
        state = Math.abs(s) < NOTHING ? 0 : s;
    }

    void reset() {
        state = 0;
    }
}
