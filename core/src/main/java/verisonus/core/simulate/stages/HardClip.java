package verisonus.core.simulate.stages;

/** Straight up to ±1, flat from there: diodes to earth. Kept from aliasing as {@link SoftClip} is. */
final class HardClip {
    private final boolean smooth;
    private double last;

    HardClip(boolean smooth) {
        this.smooth = smooth;
    }

    double next(double x) {
        double before = last;
        last = x;
        if (!smooth) return Math.clamp(x, -1, 1);
        double step = x - before;
        if (Math.abs(step) < 1e-4) return Math.clamp(0.5 * (x + before), -1, 1);
        return (integral(x) - integral(before)) / step;
    }

    private static double integral(double x) {
        double size = Math.abs(x);
        return size < 1 ? 0.5 * x * x : size - 0.5;
    }

    void reset() {
        last = 0;
    }
}
