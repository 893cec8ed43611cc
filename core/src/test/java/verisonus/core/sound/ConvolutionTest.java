package verisonus.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ConvolutionTest {
    private static float[] random(int n, long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        return Signal.array(n, _ -> 2 * r.nextDouble() - 1);
    }

    /** By the definition. */
    private static double direct(float[] x, float[] h, int at) {
        double sum = 0;
        for (int k = 0; k < h.length && k <= at; k++) if (at - k < x.length) sum += (double) h[k] * x[at - k];
        return sum;
    }

    private static float[] filtered(Convolution c, float[] x, int step) {
        float[] y = x.clone();
        for (int i = 0; i < y.length; i += step) c.process(y, i, Math.min(y.length, i + step));
        return y;
    }

    @ParameterizedTest
    @CsvSource({"1, 64", "64, 64", "65, 64", "300, 64", "1000, 256", "256, 16"})
    void isTheSumOfItsDefinitionAPartitionLater(int taps, int block) {
        float[] h = random(taps, 1);
        float[] x = random(4 * taps + 3 * block, 2);
        Convolution c = new Convolution(h, block);
        float[] y = filtered(c, x, 97);
        assertThat(c.latency()).isEqualTo(block);
        for (int i = block; i < y.length; i += 7) {
            assertThat((double) y[i]).isCloseTo(direct(x, h, i - block), within(2e-4 * Math.sqrt(taps)));
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 7, 64, 128, 500})
    void doesNotDependOnHowItsInputIsCut(int step) {
        float[] h = random(200, 3);
        float[] x = random(2000, 4);
        assertThat(filtered(new Convolution(h, 64), x, step)).isEqualTo(filtered(new Convolution(h, 64), x, 2000));
    }

    @Test
    void beginsAgainAfterAReset() {
        float[] x = random(900, 5);
        Convolution c = new Convolution(random(300, 6), 64);
        float[] first = filtered(c, x, 64);
        c.reset();
        assertThat(filtered(c, x, 64)).isEqualTo(first);
    }

    @Test
    void twiceTheInputIsTwiceTheOutput() {
        float[] x = random(900, 7);
        float[] h = random(100, 8);
        float[] once = filtered(new Convolution(h, 64), x, 64);
        float[] twice = filtered(new Convolution(h, 64), Signal.array(x.length, i -> 2 * x[i]), 64);
        for (int i = 0; i < x.length; i++) assertThat(twice[i]).isCloseTo(2 * once[i], within(1e-4f));
    }
}
