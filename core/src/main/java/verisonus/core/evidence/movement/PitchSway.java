package verisonus.core.evidence.movement;

import java.util.Arrays;
import verisonus.core.evidence.signs.BandLevels;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Stft;

/**
 * How the pitch moves from hop to hop: the median change of all strong partials (phase vocoder; J. L. Flanagan, R. M.
 * Golden, 1966), and how the strongest bins change in level.
 *
 * @param cents change of pitch a hop, cents; NaN where no partial is held
 * @param binSlope median over hops of the median size of the level slope of the strongest bins, dB a second
 */
public record PitchSway(double[] cents, double binSlope) {
    private static final int SIZE = 2048;
    private static final int STRONGEST = 30;
    private static final double MOST_CENTS = 25;
    private static final double LOWEST_HZ = 150;
    private static final double HIGHEST_HZ = 3000;

    /** @param x mono at {@value BandLevels#RATE_HZ} Hz */
    public static PitchSway of(float[] x) {
        int hop = BandLevels.HOP;
        int n = x.length < SIZE ? 0 : (x.length - SIZE) / hop + 1;
        double[] cents = new double[n];
        double[] slopes = new double[n];
        Arrays.fill(cents, Double.NaN);
        float[] window = Stft.hann(SIZE);
        RealFft fft = new RealFft(SIZE);
        float[] now = new float[SIZE];
        double[] phase = new double[SIZE / 2];
        double[] power = new double[SIZE / 2];
        double[] hz = new double[SIZE / 2];
        double top = 0;
        int counted = 0;
        int lowest = (int) (LOWEST_HZ * SIZE / BandLevels.RATE_HZ);
        for (int t = 0; t < n; t++) {
            for (int i = 0; i < SIZE; i++) now[i] = x[t * hop + i] * window[i];
            fft.forward(now);
            double[] newPhase = new double[SIZE / 2];
            double[] newPower = new double[SIZE / 2];
            double[] newHz = new double[SIZE / 2];
            double loudest = 0;
            for (int k = 1; k < SIZE / 2; k++) {
                newPower[k] = now[2 * k] * now[2 * k] + now[2 * k + 1] * now[2 * k + 1];
                loudest = Math.max(loudest, newPower[k]);
            }
            for (int k = lowest; k < HIGHEST_HZ * SIZE / BandLevels.RATE_HZ; k++) {
                newPhase[k] = Math.atan2(now[2 * k + 1], now[2 * k]);
                newHz[k] = frequency(newPhase[k] - phase[k], k);
            }
            top = Math.max(top, loudest);
            if (t > 1 && loudest > 1e-4 * top) {
                cents[t] = change(newPower, newHz, hz);
                slopes[counted++] = strongestSlope(newPower, power);
            }
            phase = newPhase;
            power = newPower;
            hz = newHz;
        }
        double[] s = Arrays.copyOf(slopes, counted);
        Arrays.sort(s);
        return new PitchSway(cents, counted == 0 ? 0 : s[counted / 2]);
    }

    private static double frequency(double advance, int bin) {
        double hop = BandLevels.HOP;
        double expected = 2 * Math.PI * bin * hop / SIZE;
        double d = advance - expected;
        d -= 2 * Math.PI * Math.rint(d / (2 * Math.PI));
        return (bin + d * SIZE / (2 * Math.PI * hop)) * BandLevels.RATE_HZ / SIZE;
    }

    /** Median change in cents over the peaks of the middle that are still there. */
    private static double change(double[] power, double[] hz, double[] before) {
        double width = (double) BandLevels.RATE_HZ / SIZE;
        double loudest = Arrays.stream(power).max().orElse(0);
        double[] moves = new double[power.length];
        int n = 0;
        for (int k = (int) (LOWEST_HZ / width); k < HIGHEST_HZ / width; k++) {
            if (power[k] < 1e-4 * loudest || power[k] < power[k - 1] || power[k] < power[k + 1]) continue;
            if (hz[k] <= 0 || before[k] <= 0) continue;
            double c = 1200 * Math.log(hz[k] / before[k]) / Math.log(2);
            if (Math.abs(c) < MOST_CENTS) moves[n++] = c;
        }
        if (n < 2) return Double.NaN;
        double[] m = Arrays.copyOf(moves, n);
        Arrays.sort(m);
        return n % 2 == 1 ? m[n / 2] : 0.5 * (m[n / 2 - 1] + m[n / 2]);
    }

    /** The weakest of the strongest; the few are kept in order, most others are passed by at the price of a look. */
    private static double strongest(double[] power) {
        double[] kept = new double[STRONGEST];
        Arrays.fill(kept, -1);
        for (double p : power) {
            if (p <= kept[0]) continue;
            int i = 0;
            for (; i + 1 < STRONGEST && kept[i + 1] < p; i++) kept[i] = kept[i + 1];
            kept[i] = p;
        }
        return kept[0];
    }

    private static double strongestSlope(double[] power, double[] before) {
        double limit = strongest(power);
        double[] slopes = new double[STRONGEST + 8];
        int n = 0;
        for (int k = 0; k < power.length && n < slopes.length; k++) {
            if (power[k] < limit) continue;
            slopes[n++] = Math.abs(10 * Math.log10((power[k] + 1e-12) / (before[k] + 1e-12))) / BandLevels.HOP_S;
        }
        double[] s = Arrays.copyOf(slopes, n);
        Arrays.sort(s);
        return n == 0 ? 0 : s[n / 2];
    }
}
