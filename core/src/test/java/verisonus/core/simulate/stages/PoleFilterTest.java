package verisonus.core.simulate.stages;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** One pole, two samples a step: what it must share with one pole a sample. */
class PoleFilterTest {
    private static final RaisedRate AT = RaisedRate.of(Quality.FINAL);

    private static double[] noise(int n) {
        SplittableRandom r = new SplittableRandom(7);
        double[] x = new double[n];
        for (int i = 0; i < n; i++) x[i] = 2 * r.nextDouble() - 1;
        return x;
    }

    /** The textbook form: v = c(x − s), low = v + s, s = low + v. */
    private static double[] sampleBySample(double[] x, double c) {
        double[] low = new double[x.length];
        double s = 0;
        for (int i = 0; i < x.length; i++) {
            double v = c * (x[i] - s);
            low[i] = v + s;
            s = low[i] + v;
        }
        return low;
    }

    private static double gainDb(boolean low, double corner, double hz) {
        PoleFilter f = new PoleFilter(AT.pole(corner));
        double[] x = new double[(int) AT.rateHz()];
        for (int i = 0; i < x.length; i++) x[i] = Math.sin(2 * Math.PI * hz * i / AT.rateHz());
        if (low) {
            f.low(x, x.length);
        } else {
            f.high(x, x.length);
        }
        double sum = 0;
        for (int i = x.length / 2; i < x.length; i++) sum += x[i] * x[i];
        return 10 * Math.log10(sum / (x.length / 2.0) / 0.5);
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 2, 3, 640, 641})
    void isThePoleThatTakesOneSampleAStep(int n) {
        double[] x = noise(n);
        double[] wanted = sampleBySample(x, AT.pole(900));
        new PoleFilter(AT.pole(900)).low(x, n);
        for (int i = 0; i < n; i++) assertThat(x[i]).isCloseTo(wanted[i], within(1e-12));
    }

    @Test
    void whatLiesUnderTheCornerAndWhatLiesAboveItAddUpToWhatCameIn() {
        double[] x = noise(501);
        double[] low = x.clone();
        double[] high = x.clone();
        new PoleFilter(AT.pole(3000)).low(low, low.length);
        new PoleFilter(AT.pole(3000)).high(high, high.length);
        for (int i = 0; i < x.length; i++) assertThat(low[i] + high[i]).isCloseTo(x[i], within(1e-12));
    }

    @ParameterizedTest
    @ValueSource(doubles = {60, 720, 5500})
    void losesThreeDecibelsAtItsCornerOnBothSides(double corner) {
        assertThat(gainDb(true, corner, corner)).isCloseTo(-3.01, within(0.05));
        assertThat(gainDb(false, corner, corner)).isCloseTo(-3.01, within(0.05));
    }

    @Test
    void fallsBySixDecibelsAnOctaveFarFromIt() {
        assertThat(gainDb(true, 100, 1600) - gainDb(true, 100, 3200)).isCloseTo(6.02, within(0.1));
        assertThat(gainDb(false, 8000, 400) - gainDb(false, 8000, 200)).isCloseTo(6.02, within(0.1));
    }

    @Test
    void remembersFromPieceToPieceAndForgetsWhenReset() {
        double[] whole = noise(400);
        double[] first = Arrays.copyOf(whole, 123);
        double[] rest = Arrays.copyOfRange(whole, 123, 400);
        PoleFilter f = new PoleFilter(AT.pole(700));
        f.high(first, first.length);
        f.high(rest, rest.length);
        double[] wanted = whole.clone();
        new PoleFilter(AT.pole(700)).high(wanted, 400);
        for (int i = 0; i < rest.length; i++) assertThat(rest[i]).isCloseTo(wanted[123 + i], within(1e-12));
        f.reset();
        double[] again = whole.clone();
        f.high(again, 400);
        assertThat(again).isEqualTo(wanted);
    }
}
