package verisonus.core.simulate.stages;

/**
 * The saturation curve of valve stages and soft diodes: a rational tanh, exact slope 1 at zero, flat at ±1 from |x| = 3 on. A
 * clipper that is kept from aliasing takes the mean of the curve between two samples (J. D. Parker, V. Zavalishin, E. Le Bivic,
 * "Reducing the aliasing of nonlinear waveshaping using continuous-time convolution", DAFx-16), half a sample late.
 */
public final class SoftClip {
    private static final double FLAT = 3;
    private static final double AT_FLAT = integral(FLAT);
    /** Up to this step the middle gives the mean to 1e-4. */
    private static final double TINY_STEP = 0.05;
    /** Up to this step Simpson's rule gives the mean to 1e-4 and spares two logarithms. */
    private static final double SMALL_STEP = 0.6;

    private final boolean smooth;
    private final double idle;
    private double last;

    /** @param smooth whether to keep it from aliasing, where there is time for it */
    SoftClip(boolean smooth) {
        this(smooth, 0);
    }

    /** @param idle what comes in while nothing is played: from there it starts, so that no click stands at the beginning */
    SoftClip(boolean smooth, double idle) {
        this.smooth = smooth;
        this.idle = idle;
        last = idle;
    }

    /** x·(27+x²)/(27+9x²), within 2.4 % of tanh x. */
    public static double of(double x) {
        if (x >= FLAT) return 1;
        if (x <= -FLAT) return -1;
        double s = x * x;
        return x * (27 + s) / (27 + 9 * s);
    }

    /** The same curve by its series, for |x| under 0.5 (error under 3e-4): spares a division a sample. */
    public static double nearZero(double x) {
        double s = x * x;
        return x * (1 - s * (8.0 / 27 - s * (8.0 / 81)));
    }

    double next(double x) {
        if (!smooth) return of(x);
        double a = last;
        last = x;
        if (a >= FLAT && x >= FLAT) return 1;
        if (a <= -FLAT && x <= -FLAT) return -1;
        double step = Math.abs(x - a);
        if (step < TINY_STEP) return of(0.5 * (a + x));
        if (step < SMALL_STEP) return (of(a) + 4 * of(0.5 * (a + x)) + of(x)) / 6;
        return (whole(x) - whole(a)) / (x - a);
    }

    private static double whole(double x) {
        double size = Math.abs(x);
        return size >= FLAT ? AT_FLAT + size - FLAT : integral(size);
    }

    private static double integral(double x) {
        return x * x / 18 + 4.0 / 3 * Math.log(3 + x * x);
    }

    void reset() {
        last = idle;
    }
}
