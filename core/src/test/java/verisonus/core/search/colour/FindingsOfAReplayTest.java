package verisonus.core.search.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.sound.Signal;

/** Findings that survive other hands and another guitar. */
class FindingsOfAReplayTest {
    private static final double[] HZ = Features.LEVEL_BANDS.centresHz();
    private static final float[] PLAYED = Signal.plucks(0.4, 21, 1).atDb(-6).lasting(5).mid();

    private static double valleys(double gain, long hand) {
        // Strings sound together: one alone has nothing to mix with.
        float[] x = Signal.sum(Signal.plucks(0.8, 21, hand).atDb(-9).lasting(5), Signal.plucks(0.8, 34, hand).atDb(-9)
                .lasting(5)).mid();
        return Valleys.of(Signal.array(x.length, i -> Math.tanh(gain * x[i])), Signal.RATE_HZ).meanDb();
    }

    @Test
    void aClipperFillsTheGapsBetweenPartialsTheMoreTheHarderItIsDriven() {
        double last = valleys(0.1, 1);
        for (double gain : new double[]{4, 16, 64}) {
            double now = valleys(gain, 1);
            assertThat(now).as("gain %.0f", gain).isGreaterThan(last);
            last = now;
        }
    }

    @Test
    void anotherHandChangesThemLessThanTheClipper() {
        assertThat(Math.abs(valleys(16, 5) - valleys(16, 1))).isLessThan(0.5 * (valleys(16, 1) - valleys(0.1, 1)));
    }

    @Test
    void silenceGivesTheLimit() {
        assertThat(Valleys.of(new float[48000], Signal.RATE_HZ).meanDb()).isEqualTo(-45);
    }

    @Test
    void loudnessChangesNothing() {
        float[] soft = Signal.array(PLAYED.length, i -> 0.1 * PLAYED[i]);
        assertThat(Valleys.of(soft, Signal.RATE_HZ).meanDb())
                .isCloseTo(Valleys.of(PLAYED, Signal.RATE_HZ).meanDb(), within(0.01));
    }

    @ParameterizedTest
    @ValueSource(doubles = {-2, 1.5, 4})
    void fineColourIsBlindToWhatIsSmooth(double dbPerOctave) {
        double[] tilt = Arrays.stream(HZ).map(h -> 6 + dbPerOctave * Math.log(h / 800) / Math.log(2)).toArray();
        assertThat(new FineColour().rms(tilt)).isLessThan(0.4 * Math.abs(dbPerOctave));
    }

    @Test
    void fineColourSeesRipples() {
        double[] ripple = new double[HZ.length];
        for (int b = 0; b < ripple.length; b++) ripple[b] = b % 2 == 0 ? 2 : -2;
        assertThat(new FineColour().rms(ripple)).isCloseTo(2, within(0.2));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void fewFiltersAreFourAtTheMostAndAllAreHeard(long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        double[] wanted = new double[HZ.length];
        for (int i = 0; i < 6; i++) {
            double hz = 100 * Math.pow(60, r.nextDouble());
            double db = 10 * r.nextDouble() - 5;
            for (int b = 0; b < HZ.length; b++) wanted[b] += db * Math.exp(-Math.pow(Math.log(HZ[b] / hz) / 0.5, 2));
        }
        assertThat(filters(fitted(wanted))).isBetween(1, 4);
    }

    @Test
    void whatIsNotHeardGetsNoFilter() {
        double[] faint = Arrays.stream(HZ).map(h -> 0.35 * Math.exp(-Math.pow(Math.log(h / 1500) / 0.3, 2))).toArray();
        assertThat(filters(fitted(faint))).isZero();
    }

    private static Block fitted(double[] wanted) {
        double[] even = new double[HZ.length];
        Arrays.fill(even, 1);
        return EqualizerFit.ofFew(even, 0.02, false, new EmptyBands(new boolean[HZ.length])).fit(wanted);
    }

    private static int filters(Block eq) {
        int n = 0;
        for (int p = 1; p <= 4; p++) if (eq.get(ControlNames.peak(p)) != 0) n++;
        if (eq.get(ControlNames.LOW_SHELF) != 0) n++;
        return eq.get(ControlNames.HIGH_SHELF) != 0 ? n + 1 : n;
    }
}
