package verisonus.core.evidence.movement;

import java.util.Arrays;
import java.util.OptionalDouble;
import verisonus.core.evidence.signs.BandLevels;

/**
 * How often a moving comb sweeps. While notches pass through a band it sways at many multiples of the sweep's rate, often more
 * at a multiple than at the rate itself; so what the first {@value #MULTIPLES} multiples explain above their surroundings is
 * added, and the rate with the greatest sum is taken (the harmonic sum of pitch detection, J. C. Brown, JASA 92, 1992, here on
 * modulation spectra). Half the rate gathers only every second multiple, and surroundings less than nothing between them.
 */
final class SweepRate {
    private static final int MULTIPLES = 8;
    private static final double SLOWEST_HZ = 0.15;
    private static final double FASTEST_HZ = 4;
    private static final double SURROUNDINGS_HZ = 1;

    private SweepRate() {}

    /**
     * Sweeps a second; empty where too little is left between the gaps.
     *
     * @param slopes by hop and band, less what all bands have in common
     */
    static OptionalDouble hz(double[][] slopes, boolean[] gap) {
        var shares = BandSway.Shares.of(slopes, gap);
        if (shares.isEmpty()) return OptionalDouble.empty();
        double step = 0.25 / (slopes.length * BandLevels.HOP_S);
        double[] over = new double[(int) ((MULTIPLES * FASTEST_HZ) / step) + 2];
        for (int r = 1; r < over.length; r++) over[r] = shares.get().at(r * step);
        lessSurroundings(over, (int) (SURROUNDINGS_HZ / step));
        double best = 0;
        double bestHz = 0;
        for (double hz = SLOWEST_HZ; hz <= FASTEST_HZ; hz += step / MULTIPLES * 2) {
            double sum = 0;
            for (int k = 1; k <= MULTIPLES; k++) {
                int at = (int) (k * hz / step);
                double u = k * hz / step - at;
                sum += (1 - u) * over[at] + u * over[at + 1];
            }
            if (sum > best) {
                best = sum;
                bestHz = hz;
            }
        }
        return bestHz == 0 ? OptionalDouble.empty() : OptionalDouble.of(bestHz);
    }

    private static void lessSurroundings(double[] v, int reach) {
        double[] from = v.clone();
        for (int i = 1; i < v.length; i++) {
            double[] near = Arrays.copyOfRange(from, Math.max(1, i - reach), Math.min(v.length, i + reach));
            Arrays.sort(near);
            v[i] -= near[near.length / 2];
        }
    }
}
