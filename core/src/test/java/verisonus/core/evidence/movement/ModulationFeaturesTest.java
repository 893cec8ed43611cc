package verisonus.core.evidence.movement;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

/** What sways, and how often. */
class ModulationFeaturesTest {
    private static final Sound PLAYED = Signal.plucks(1.6, 5).atDb(-10).lasting(10);

    /** The level, or every band alike, up and down. */
    private static Sound swaying(double hz, double depth) {
        float[] x = PLAYED.mid().clone();
        for (int i = 0; i < x.length; i++) {
            x[i] *= (float) (1 - depth * (0.5 + 0.5 * Math.sin(2 * Math.PI * hz * i / PLAYED.rateHz())));
        }
        return Sound.mono(x, PLAYED.rateHz());
    }

    /** Played by a tape that runs now faster, now slower. */
    private static Sound bending(double hz, double cents) {
        float[] x = PLAYED.mid();
        float[] y = new float[x.length];
        double depth = (Math.pow(2, cents / 1200) - 1) / (2 * Math.PI * hz) * PLAYED.rateHz();
        for (int i = 0; i < y.length; i++) {
            double at = i + depth * Math.sin(2 * Math.PI * hz * i / PLAYED.rateHz());
            int low = (int) Math.floor(at);
            if (low < 0 || low + 1 >= x.length) continue;
            y[i] = (float) (x[low] + (at - low) * (x[low + 1] - x[low]));
        }
        return Sound.mono(y, PLAYED.rateHz());
    }

    @ParameterizedTest
    @ValueSource(doubles = {3.7, 5.3, 6.9})
    void aLevelThatSwaysIsReadAtItsRate(double hz) {
        ModulationFeatures f = ModulationFeatures.of(swaying(hz, 0.6));
        assertThat(f.common().rateHz()).isCloseTo(hz, within(0.05));
        assertThat(f.common().prominence()).isGreaterThan(ModulationFeatures.of(PLAYED).common().prominence());
    }

    @Test
    void aDeeperSwayStandsOutFurther() {
        assertThat(ModulationFeatures.of(swaying(5.3, 0.7)).common().amplitude())
                .isGreaterThan(ModulationFeatures.of(swaying(5.3, 0.3)).common().amplitude());
    }

    @Test
    void aPitchThatSwaysIsTheMattersOfThePitchNotOfTheLevel() {
        ModulationFeatures f = ModulationFeatures.of(bending(5.5, 25));
        assertThat(f.pitch().rateHz()).isCloseTo(5.5, within(0.1));
        assertThat(f.pitch().prominence())
                .isGreaterThan(3 * ModulationFeatures.of(PLAYED).pitch().prominence());
    }

    @Test
    void loudnessMakesNoDifference() {
        Sound s = swaying(5.3, 0.5);
        assertThat(ModulationFeatures.of(s.gained(-20)).common().rateHz())
                .isCloseTo(ModulationFeatures.of(s).common().rateHz(), within(1e-3));
    }

    @Test
    void theFiguresStandInAFixedOrderAndAreNumbers() {
        double[] values = ModulationFeatures.of(PLAYED).signs().values();
        assertThat(values).hasSameSizeAs(ModulationFeatures.of(swaying(5, 0.5)).signs().values());
        for (double v : values) assertThat(v).isFinite();
    }
}
