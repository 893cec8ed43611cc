package verisonus.core.simulate.parts;

/** A slow sine as a turning pointer: no sine is computed a sample, and its length is mended once a turn at the most. */
public final class Lfo {
    private final double turnSin;
    private final double turnCos;
    private double sin;
    private double cos = 1;

    public Lfo(double hz, double rateHz) {
        double step = 2 * Math.PI * hz / rateHz;
        turnSin = Math.sin(step);
        turnCos = Math.cos(step);
    }

    public double sin() {
        return sin;
    }

    public double cos() {
        return cos;
    }

    /** Sine of the phase moved on by an angle of which sine and cosine are given. */
    public double sin(double offsetSin, double offsetCos) {
        return sin * offsetCos + cos * offsetSin;
    }

    public void step() {
        double s = sin * turnCos + cos * turnSin;
        double c = cos * turnCos - sin * turnSin;
        // Rounding would let the pointer grow or shrink over hours.
        double mend = 1.5 - 0.5 * (s * s + c * c);
        sin = s * mend;
        cos = c * mend;
    }

    public void reset() {
        sin = 0;
        cos = 1;
    }
}
