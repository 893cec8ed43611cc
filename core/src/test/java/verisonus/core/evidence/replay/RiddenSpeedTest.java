package verisonus.core.evidence.replay;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.core.sound.Sound;

/** A speed that somebody changed, followed with the phrase by another hand. */
class RiddenSpeedTest {
    private static final int RATE_HZ = 48_000;
    private static final double LENGTH_S = 11;

    /** Notes of seven tenths of a second, as one hand plays them. */
    private static float[] phrase(long hand) {
        SplittableRandom r = new SplittableRandom(hand);
        double[] hz = {110, 147, 123, 165, 98, 131};
        float[] x = new float[(int) (LENGTH_S * RATE_HZ)];
        for (int n = 0; 0.73 * n < LENGTH_S; n++) {
            double strong = Math.pow(10, 3 * (r.nextDouble() - 0.5) / 20);
            int from = (int) ((0.73 * n + 0.015 * r.nextDouble()) * RATE_HZ);
            for (int i = from; i < Math.min(x.length, from + RATE_HZ * 7 / 10); i++) {
                double u = (i - from) / (double) RATE_HZ;
                double fade = Math.min(1, u / 0.003) * Math.exp(-2 * u);
                for (int p = 1; p < 14; p++)
                    x[i] += (float) (0.12 * strong / p * fade * Math.sin(2 * Math.PI * hz[n % 6] * p * u));
            }
        }
        for (int i = 0; i < x.length; i++) x[i] += (float) (1e-5 * r.nextGaussian());
        return x;
    }

    /** With a tremolo of this rate at each second. */
    private static Optional<RiddenSpeed> read(DoubleUnaryOperator hz, double depth) {
        float[] x = phrase(1);
        double turns = 0;
        for (int i = 0; i < x.length; i++) {
            turns += hz.applyAsDouble((double) i / RATE_HZ) / RATE_HZ;
            x[i] *= (float) (1 - depth * (0.5 - 0.5 * Math.cos(2 * Math.PI * turns)));
        }
        return RiddenSpeed.of(Sound.mono(x, RATE_HZ), Sound.mono(phrase(2), RATE_HZ));
    }

    @ParameterizedTest
    @CsvSource({"3.1, 6.7", "7.3, 3.9", "4.1, 6.2"})
    void aChangeIsFollowedOnBothSidesOfIt(double before, double after) {
        RiddenSpeed found = read(t -> t < 5.5 ? before : after, 0.8).orElseThrow();
        int right = 0;
        for (int i = 0; i < found.atS().size(); i++) {
            double t = found.atS().get(i);
            if (Math.abs(t - 5.5) < 1.5) continue;
            assertThat(found.hz().get(i) / (t < 5.5 ? before : after)).as("at %.1f s", t).isBetween(0.9, 1.1);
            right++;
        }
        assertThat(right).isGreaterThan(6);
    }

    @ParameterizedTest
    @CsvSource({"3.1, 0.8", "5.7, 0.8", "5.7, 0.4"})
    void aSpeedThatStaysIsNotRidden(double hz, double depth) {
        assertThat(read(_ -> hz, depth)).isEmpty();
    }

    @Test
    void whereNothingSwaysNothingIsFound() {
        assertThat(read(_ -> 4, 0)).isEmpty();
    }

    @Test
    void aPassageTooShortToFollowSaysNothing() {
        Sound a = Sound.mono(phrase(1), RATE_HZ).slice(0, 4);
        assertThat(RiddenSpeed.of(a, Sound.mono(phrase(2), RATE_HZ).slice(0, 4))).isEmpty();
    }
}
