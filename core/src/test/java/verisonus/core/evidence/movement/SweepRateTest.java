package verisonus.core.evidence.movement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import verisonus.core.evidence.signs.BandLevels;

class SweepRateTest {
    private static final int HOPS = 1200;

    /** Bands that sway at multiples of a rate, each in a phase of its own, in noise. */
    private static double[][] bands(double hz, double[] heightOfMultiple) {
        SplittableRandom random = new SplittableRandom(5);
        double[][] out = new double[HOPS][BandLevels.BANDS];
        for (int b = 0; b < BandLevels.BANDS; b++) {
            double phase = 2 * Math.PI * random.nextDouble();
            for (int t = 0; t < HOPS; t++) {
                for (int k = 0; k < heightOfMultiple.length; k++) {
                    double turn = 2 * Math.PI * hz * (k + 1) * t * BandLevels.HOP_S;
                    out[t][b] += heightOfMultiple[k] * Math.cos(turn + (k + 1) * phase);
                }
                out[t][b] += 4 * random.nextGaussian();
            }
        }
        return out;
    }

    @Test
    void theRateIsReadThoughAMultipleSwaysMore() {
        double[][] slopes = bands(0.7, new double[]{3, 4, 9, 5, 4, 3});
        assertThat(SweepRate.hz(slopes, new boolean[HOPS]).orElseThrow()).isCloseTo(0.7, within(0.02));
    }

    @Test
    void halfTheRateIsNotTakenForIt() {
        double[][] slopes = bands(2, new double[]{8, 6, 4});
        assertThat(SweepRate.hz(slopes, new boolean[HOPS]).orElseThrow()).isCloseTo(2, within(0.05));
    }

    @Test
    void gapsLeaveTheRateAsItIs() {
        boolean[] gap = new boolean[HOPS];
        for (int t = 0; t < HOPS; t++) gap[t] = t % 90 < 25;
        double[][] slopes = bands(1.3, new double[]{5, 6, 6, 4});
        assertThat(SweepRate.hz(slopes, gap).orElseThrow()).isCloseTo(1.3, within(0.03));
    }

    @Test
    void nothingIsSaidOfTooLittle() {
        boolean[] gap = new boolean[HOPS];
        java.util.Arrays.fill(gap, true);
        assertThat(SweepRate.hz(bands(1, new double[]{5}), gap)).isEmpty();
    }
}
