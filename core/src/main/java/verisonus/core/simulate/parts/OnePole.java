package verisonus.core.simulate.parts;

/**
 * Coefficient of a one-pole filter as an integrator with trapezoidal rule (V. Zavalishin, "The art of VA filter design",
 * 2012): v = (x − s)·G, low = v + s, s' = low + v; high = x − low. The state stays with the caller's loop.
 */
public final class OnePole {
    private OnePole() {}

    /** G = g/(1+g) with g = tan(π·f/rate). */
    public static double coefficient(double hz, double rateHz) {
        double g = Math.tan(Math.PI * Math.min(hz, 0.49 * rateHz) / rateHz);
        return g / (1 + g);
    }
}
