package verisonus.core.simulate.stages;

/**
 * The saturation curve of valve stages and soft diodes: a rational tanh, exact slope 1 at zero, flat at ±1 from |x| = 3 on. A
 * clipper that is kept from aliasing takes the mean of the curve between two samples (J. D. Parker, V. Zavalishin, E. Le Bivic,
 * "Reducing the aliasing of nonlinear waveshaping using continuous-time convolution", DAFx-16), half a sample late.
 */
public final class SoftClip {
    private static final double FLAT = 3;

    private final boolean smooth;
    private final double idle;
    /** What came before each; in an array of its own, without which the compiler takes them one by one. */
    private double[] before = new double[0];
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
        return Math.abs(a) <= FLAT && Math.abs(x) <= FLAT ? mean(a, x) : meanBeyond(a, x);
    }

    /**
     * The same for many at once, in two passes: the bent part without a branch, which a machine does several at a time, then what lies on
     * the flat.
     */
    void process(double[] in, double[] out, int n) {
        if (n == 0) return;
        if (smooth) {
            if (before.length < n) before = new double[n];
            before[0] = last;
            System.arraycopy(in, 0, before, 1, n - 1);
            means(before, in, out, n);
            double peak = Math.abs(last);
            for (int i = 0; i < n; i++) peak = Math.max(peak, Math.abs(in[i]));
            for (int i = 0; i < n && peak > FLAT; i++)
                if (Math.abs(in[i]) > FLAT || Math.abs(before[i]) > FLAT) out[i] = meanBeyond(before[i], in[i]);
            last = in[n - 1];
        } else {
            for (int i = 0; i < n; i++) {
                double s = in[i] * in[i];
                out[i] = in[i] * (27 + s) / (27 + 9 * s);
            }
            for (int i = 0; i < n; i++) if (Math.abs(in[i]) >= FLAT) out[i] = Math.signum(in[i]);
        }
    }

    private static void means(double[] before, double[] in, double[] out, int n) {
        for (int i = 0; i < n; i++) out[i] = mean(before[i], in[i]);
    }

    /**
     * Mean of the curve between two places of its bent part. Its integral is x²/18 + 4/3·ln(3+x²); the difference of two logarithms is
     * 2·artanh u with u = (x²−a²)/(6+x²+a²), and u over the step has no step in it: no place is too near for it.
     */
    private static double mean(double a, double x) {
        double aa = a * a;
        double xx = x * x;
        double most = 1 / (6 + xx + aa);
        double u = (xx - aa) * most;
        return (a + x) * (1.0 / 18 + 8.0 / 3 * most * artanhOver(u * u));
    }

    /** artanh(u)/u by the square of u, up to the 0.36 that the curve's ends make: Chebyshev fit, error under 4e-7. */
    private static double artanhOver(double w) {
        return 0.999999732
                + w * (0.333385214 + w * (0.198390017 + w * (0.160764459 + w * (0.0245988847 + w * 0.264846782))));
    }

    private static double meanBeyond(double a, double x) {
        if (a >= FLAT && x >= FLAT) return 1;
        if (a <= -FLAT && x <= -FLAT) return -1;
        double from = Math.clamp(a, -FLAT, FLAT);
        double to = Math.clamp(x, -FLAT, FLAT);
        return (mean(from, to) * (to - from) + Math.abs(x - to) - Math.abs(a - from)) / (x - a);
    }

    void reset() {
        last = idle;
    }
}
