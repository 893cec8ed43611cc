package verisonus.core.simulate;

/** The saturation curve of all stages: a rational tanh, exact slope 1 at zero, flat at ±1 from |x| = 3 on. */
final class SoftClip {
    private SoftClip() {}

    /** x·(27+x²)/(27+9x²), within 2.4 % of tanh x. */
    static double of(double x) {
        if (x >= 3) return 1;
        if (x <= -3) return -1;
        double s = x * x;
        return x * (27 + s) / (27 + 9 * s);
    }

    /** The same curve by its series, for |x| under 0.5 (error under 3e-4): spares a division a sample. */
    static double nearZero(double x) {
        double s = x * x;
        return x * (1 - s * (8.0 / 27 - s * (8.0 / 81)));
    }
}
