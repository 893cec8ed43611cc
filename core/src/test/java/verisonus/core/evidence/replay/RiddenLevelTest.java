package verisonus.core.evidence.replay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.function.DoubleUnaryOperator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Sound;

/** A hand on the level, followed with the same phrase by another hand. */
class RiddenLevelTest {
    private static final int RATE_HZ = 48_000;

    private static float[] phrase(long hand, double lengthS) {
        SplittableRandom r = new SplittableRandom(hand);
        double[] hz = {110, 147, 123, 165, 98, 131};
        float[] x = new float[(int) (lengthS * RATE_HZ)];
        for (int n = 0; n < lengthS * 2; n++) {
            double strong = Math.pow(10, 3 * (r.nextDouble() - 0.5) / 20);
            int from = (int) ((0.5 * n + 0.015 * r.nextDouble()) * RATE_HZ);
            for (int i = from; i < Math.min(x.length, from + RATE_HZ * 45 / 100); i++) {
                double u = (i - from) / (double) RATE_HZ;
                double fade = Math.min(1, u / 0.003) * Math.exp(-4 * u);
                for (int p = 1; p < 14; p++)
                    x[i] += (float) (0.12 * strong / p * fade * Math.sin(2 * Math.PI * hz[n % 6] * p * u));
            }
        }
        for (int i = 0; i < x.length; i++) x[i] += (float) (1e-5 * r.nextGaussian());
        return x;
    }

    private static Sound ridden(float[] x, DoubleUnaryOperator db) {
        float[] out = new float[x.length];
        for (int i = 0; i < x.length; i++)
            out[i] = (float) (x[i] * Math.pow(10, db.applyAsDouble(i / (double) RATE_HZ) / 20));
        return Sound.mono(out, RATE_HZ);
    }

    private static Optional<RiddenLevel> read(Sound record) {
        return RiddenLevel.ofGuitar(record, Sound.mono(phrase(2, record.durationS()), RATE_HZ));
    }

    @ParameterizedTest
    @ValueSource(doubles = {12, -12, 15})
    void aFadersCurveIsFollowedToTwoDecibels(double byDb) {
        DoubleUnaryOperator truth = t -> byDb * Math.clamp((t - 4) / 4, 0, 1) - byDb / 2;
        RiddenLevel r = read(ridden(phrase(1, 12), truth)).orElseThrow();
        assertThat(r.atS()).isSorted();
        double middle = r.atS().stream().mapToDouble(truth::applyAsDouble).sorted().skip(r.atS().size() / 2).findFirst()
                .orElseThrow();
        double off = 0;
        for (int i = 0; i < r.atS().size(); i++)
            off += Math.abs(truth.applyAsDouble(r.atS().get(i)) - middle - r.db().get(i)) / r.atS().size();
        assertThat(off).isLessThan(2);
    }

    @Test
    void aLevelThatStandsIsNotRiddenHoweverLoud() {
        assertThat(read(ridden(phrase(1, 12), _ -> 0))).isEmpty();
        assertThat(read(ridden(phrase(1, 12), _ -> -18))).isEmpty();
    }

    @Test
    void theCurveStandsRoundItsOwnMiddle() {
        RiddenLevel r = read(ridden(phrase(1, 12), t -> t < 6 ? -6 : 6)).orElseThrow();
        List<Double> sorted = r.db().stream().sorted().toList();
        assertThat(0.5 * (sorted.get((sorted.size() - 1) / 2) + sorted.get(sorted.size() / 2))).isCloseTo(0,
                within(1e-9));
        assertThat(sorted.getFirst()).isLessThan(-3);
        assertThat(sorted.getLast()).isGreaterThan(3);
    }

    @Test
    void aPassageTooShortToFollowSaysNothing() {
        assertThat(read(ridden(phrase(1, 4), t -> 4 * t))).isEmpty();
    }

    @Test
    void repeatsThatAreNotThereAreNotFollowed() {
        assertThat(RiddenLevel.ofRepeats(ridden(phrase(1, 12), _ -> 0), Sound.mono(phrase(2, 12), RATE_HZ), 330))
                .isEmpty();
    }
}
