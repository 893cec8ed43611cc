package verisonus.core.evidence.movement;

import java.util.Arrays;

/**
 * The strongest steady sway of a curve with gaps: for each rate a sine is fitted to the samples there are (N. R. Lomb,
 * "Least-squares frequency analysis of unequally spaced data", 1976).
 *
 * @param rateHz of the best sine
 * @param share of the curve's variance that it explains, 0 to 1
 * @param amplitude of it, in the curve's unit
 * @param prominence its share against the median share of all rates: how far it stands out
 */
public record Swing(double rateHz, double share, double amplitude, double prominence) {
    public static final Swing NONE = new Swing(0, 0, 0, 1);
    private static final int FEWEST = 60;

    /** @param curve values every {@code hopS}; NaN where there is a gap */
    public static Swing of(double[] curve, double hopS, double fromHz, double toHz) {
        int n = 0;
        double mean = 0;
        for (double v : curve) {
            if (Double.isNaN(v)) continue;
            mean += v;
            n++;
        }
        if (n < FEWEST) return NONE;
        // Gaps stay in their places with nothing in them, so that a sine can be turned on from one value to the next.
        double[] value = new double[curve.length];
        double[] there = new double[curve.length];
        double variance = 1e-12;
        for (int i = 0; i < curve.length; i++) {
            if (Double.isNaN(curve[i])) continue;
            there[i] = 1;
            value[i] = curve[i] - mean / n;
            variance += value[i] * value[i];
        }
        Swing best = NONE;
        double step = 0.25 / (curve.length * hopS);
        double[] shares = new double[(int) ((toHz - fromHz) / step) + 2];
        int rates = 0;
        for (double hz = fromHz; hz <= toHz; hz += step) {
            Swing s = fitted(value, there, variance, hz, hopS);
            shares[rates++] = s.share;
            if (s.share > best.share) best = s;
        }
        Arrays.sort(shares, 0, rates);
        double typical = shares[rates / 2] + 1e-6;
        for (double hz = best.rateHz - step; hz <= best.rateHz + step; hz += step / 20) {
            if (hz <= 0) continue;
            Swing s = fitted(value, there, variance, hz, hopS);
            if (s.share > best.share) best = s;
        }
        return new Swing(best.rateHz, best.share, best.amplitude, best.share / typical);
    }

    private static Swing fitted(double[] value, double[] there, double variance, double hz, double hopS) {
        double step = 2 * Math.PI * hz * hopS;
        double turnC = Math.cos(2 * step);
        double turnS = Math.sin(2 * step);
        // Two sines turned on side by side, two values further each time: one alone would wait for itself.
        double c = 1;
        double s = 0;
        double c1 = Math.cos(step);
        double s1 = Math.sin(step);
        double cc = 0;
        double cs = 0;
        double cy = 0;
        double sy = 0;
        double count = 0;
        for (int i = 0; i + 1 < value.length; i += 2) {
            count += there[i] + there[i + 1];
            cc += there[i] * c * c + there[i + 1] * c1 * c1;
            cs += there[i] * c * s + there[i + 1] * c1 * s1;
            cy += c * value[i] + c1 * value[i + 1];
            sy += s * value[i] + s1 * value[i + 1];
            double next = c * turnC - s * turnS;
            s = c * turnS + s * turnC;
            c = next;
            next = c1 * turnC - s1 * turnS;
            s1 = c1 * turnS + s1 * turnC;
            c1 = next;
        }
        if (value.length % 2 == 1) {
            int last = value.length - 1;
            count += there[last];
            cc += there[last] * c * c;
            cs += there[last] * c * s;
            cy += c * value[last];
            sy += s * value[last];
        }
        double ss = count - cc;
        double det = cc * ss - cs * cs;
        if (det < 1e-9) return NONE;
        double a = (ss * cy - cs * sy) / det;
        double b = (cc * sy - cs * cy) / det;
        return new Swing(hz, (a * cy + b * sy) / variance, Math.hypot(a, b), 1);
    }

    /** Quantile of the values that are there; 0 where none is. */
    static double quantile(double[] curve, double share) {
        double[] v = Arrays.stream(curve).filter(x -> !Double.isNaN(x)).sorted().toArray();
        return v.length == 0 ? 0 : v[(int) (share * (v.length - 1))];
    }

    /** Median of the absolute values that are there. */
    public static double medianSize(double[] curve) {
        double[] v = Arrays.stream(curve).filter(x -> !Double.isNaN(x)).map(Math::abs).sorted().toArray();
        return v.length == 0 ? 0 : v[v.length / 2];
    }
}
