package verisonus.core.sound;

/**
 * Coefficients of one second-order section, normalised to a0 = 1, with the designs of R. Bristow-Johnson, "Cookbook
 * formulae for audio equalizer biquad filter coefficients". Running state is in {@link Section}.
 */
public record Biquad(double b0, double b1, double b2, double a1, double a2) {
    /** Leaves the signal as it is. */
    public static final Biquad IDENTITY = new Biquad(1, 0, 0, 0, 0);

    private static Biquad of(double b0, double b1, double b2, double a0, double a1, double a2) {
        return new Biquad(b0 / a0, b1 / a0, b2 / a0, a1 / a0, a2 / a0);
    }

    private static double omega(double hz, double rateHz) {
        return 2 * Math.PI * Math.min(hz, 0.49 * rateHz) / rateHz;
    }

    public static Biquad peak(double hz, double gainDb, double q, double rateHz) {
        double w = omega(hz, rateHz);
        double a = Math.pow(10, gainDb / 40);
        double al = Math.sin(w) / (2 * q);
        double c = -2 * Math.cos(w);
        return of(1 + al * a, c, 1 - al * a, 1 + al / a, c, 1 - al / a);
    }

    /** Low shelf of slope 1. */
    public static Biquad lowShelf(double hz, double gainDb, double rateHz) {
        double w = omega(hz, rateHz);
        double a = Math.pow(10, gainDb / 40);
        double c = Math.cos(w);
        double s = Math.sin(w) / 2 * Math.sqrt(2) * 2 * Math.sqrt(a);
        return of(a * ((a + 1) - (a - 1) * c + s), 2 * a * ((a - 1) - (a + 1) * c), a * ((a + 1) - (a - 1) * c - s),
                (a + 1) + (a - 1) * c + s, -2 * ((a - 1) + (a + 1) * c), (a + 1) + (a - 1) * c - s);
    }

    /** High shelf of slope 1. */
    public static Biquad highShelf(double hz, double gainDb, double rateHz) {
        double w = omega(hz, rateHz);
        double a = Math.pow(10, gainDb / 40);
        double c = Math.cos(w);
        double s = Math.sin(w) / 2 * Math.sqrt(2) * 2 * Math.sqrt(a);
        return of(a * ((a + 1) + (a - 1) * c + s), -2 * a * ((a - 1) + (a + 1) * c), a * ((a + 1) + (a - 1) * c - s),
                (a + 1) - (a - 1) * c + s, 2 * ((a - 1) - (a + 1) * c), (a + 1) - (a - 1) * c - s);
    }

    public static Biquad lowPass(double hz, double q, double rateHz) {
        double w = omega(hz, rateHz);
        double c = Math.cos(w);
        double al = Math.sin(w) / (2 * q);
        return of((1 - c) / 2, 1 - c, (1 - c) / 2, 1 + al, -2 * c, 1 - al);
    }

    public static Biquad highPass(double hz, double q, double rateHz) {
        double w = omega(hz, rateHz);
        double c = Math.cos(w);
        double al = Math.sin(w) / (2 * q);
        return of((1 + c) / 2, -(1 + c), (1 + c) / 2, 1 + al, -2 * c, 1 - al);
    }

    /** One-pole low-pass by the bilinear transform, −3 dB at {@code hz}. */
    public static Biquad onePoleLowPass(double hz, double rateHz) {
        double k = Math.tan(omega(hz, rateHz) / 2);
        return of(k, k, 0, 1 + k, k - 1, 0);
    }

    /** One-pole high-pass by the bilinear transform, −3 dB at {@code hz}. */
    public static Biquad onePoleHighPass(double hz, double rateHz) {
        double k = Math.tan(omega(hz, rateHz) / 2);
        return of(1, -1, 0, 1 + k, k - 1, 0);
    }

    /** Power gain |H|² at a frequency. */
    public double powerAt(double hz, double rateHz) {
        double w = 2 * Math.PI * hz / rateHz;
        double c1 = Math.cos(w);
        double s1 = Math.sin(w);
        double c2 = Math.cos(2 * w);
        double s2 = Math.sin(2 * w);
        double nr = b0 + b1 * c1 + b2 * c2;
        double ni = -(b1 * s1 + b2 * s2);
        double dr = 1 + a1 * c1 + a2 * c2;
        double di = -(a1 * s1 + a2 * s2);
        return (nr * nr + ni * ni) / (dr * dr + di * di);
    }

    /** Gain at a frequency, dB. */
    public double gainDbAt(double hz, double rateHz) {
        return Decibels.fromPower(powerAt(hz, rateHz));
    }

    /** Running state for one channel: transposed direct form II in double precision. */
    public static final class Section {
        private final Biquad f;
        private double z1;
        private double z2;

        public Section(Biquad filter) {
            this.f = filter;
        }

        /** Filters in place. */
        public void process(float[] x, int from, int to) {
            double s1 = z1;
            double s2 = z2;
            for (int i = from; i < to; i++) {
                double in = x[i];
                double y = f.b0 * in + s1;
                s1 = f.b1 * in + s2 - f.a1 * y;
                s2 = f.b2 * in - f.a2 * y;
                x[i] = (float) y;
            }
            // Subnormal state costs a hundred times the time of a normal one and is far below hearing.
            z1 = Math.abs(s1) < 1e-30 ? 0 : s1;
            z2 = Math.abs(s2) < 1e-30 ? 0 : s2;
        }

        /** Filters the first values in place. */
        public void process(double[] x, int n) {
            double s1 = z1;
            double s2 = z2;
            for (int i = 0; i < n; i++) {
                double in = x[i];
                double y = f.b0 * in + s1;
                s1 = f.b1 * in + s2 - f.a1 * y;
                s2 = f.b2 * in - f.a2 * y;
                x[i] = y;
            }
            z1 = Math.abs(s1) < 1e-30 ? 0 : s1;
            z2 = Math.abs(s2) < 1e-30 ? 0 : s2;
        }

        public double next(double in) {
            double y = f.b0 * in + z1;
            z1 = f.b1 * in + z2 - f.a1 * y;
            z2 = f.b2 * in - f.a2 * y;
            return y;
        }

        public void reset() {
            z1 = 0;
            z2 = 0;
        }
    }
}
