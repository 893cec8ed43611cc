package verisonus.core.simulate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/** Equalizers by their curves, repeats by what a click becomes, loops by what comes round. */
class EqualizerAndEchoTest {
    private static final int RATE_HZ = 48_000;

    private static Sound through(Block b, Sound in) {
        return Renderer.render(new Tone("t", List.of(b)), in, Quality.FINAL, Progress.NONE);
    }

    private static Sound click(double seconds) {
        float[] x = new float[(int) (seconds * RATE_HZ)];
        x[100] = 0.5f;
        return Sound.mono(x, RATE_HZ);
    }

    @Nested
    class AnEqualizer {
        @ParameterizedTest
        @CsvSource({"80, 5", "250, -3", "1000, 4.5", "4000, -6", "9000, 3"})
        void soundsAsItsCurveSays(double hz, double db) {
            Block eq = Block.of("parametric equalizer").with(ControlNames.peak(1), db)
                    .with(ControlNames.peak(1) + " frequency", hz).with(ControlNames.LOW_SHELF, 2)
                    .with(ControlNames.HIGH_SHELF, -2);
            Sound in = Signal.sine(hz).atDb(-24).lasting(1);
            double heard = Signal.levelDbAt(Arrays.copyOfRange(through(eq, in).mid(), 24_000, 48_000), hz, RATE_HZ)
                    - Signal.levelDbAt(Arrays.copyOfRange(in.mid(), 24_000, 48_000), hz, RATE_HZ);
            assertThat(heard).isCloseTo(EqualizerCurve.gainDb(eq, hz, RATE_HZ), within(0.15));
        }

        @Test
        void thatIsFlatHasNoFilterAtAll() {
            assertThat(EqualizerCurve.filters(Block.of("parametric equalizer"), RATE_HZ)).isEmpty();
            assertThat(EqualizerCurve.filters(Block.of("octave graphic"), RATE_HZ)).isEmpty();
        }

        @ParameterizedTest
        @CsvSource({"31 Hz, 31", "250 Hz, 250", "1 kHz, 1000", "8 kHz, 8000"})
        void aBandOfAGraphicOneStandsWhereItsNameSays(String band, double hz) {
            Block eq = Block.of("octave graphic").with(band, 9);
            assertThat(EqualizerCurve.gainDb(eq, hz, RATE_HZ)).isCloseTo(9, within(0.2));
            assertThat(EqualizerCurve.gainDb(eq, hz / 4, RATE_HZ)).isLessThan(1.5);
        }

        @Test
        void itsLevelIsAddedToAll() {
            Block eq = Block.of("parametric equalizer").with(ControlNames.LEVEL, -7);
            for (double hz = 50; hz < 16_000; hz *= 2)
                assertThat(EqualizerCurve.gainDb(eq, hz, RATE_HZ)).isCloseTo(-7, within(1e-9));
        }

        @Test
        void cutsTakeAwayOutsideAndLeaveTheMiddle() {
            Block eq = Block.of("parametric equalizer").with(ControlNames.LOW_CUT, 120).with(ControlNames.HIGH_CUT,
                    6000);
            assertThat(EqualizerCurve.gainDb(eq, 60, RATE_HZ)).isLessThan(-10);
            assertThat(EqualizerCurve.gainDb(eq, 120, RATE_HZ)).isCloseTo(-3, within(0.2));
            assertThat(EqualizerCurve.gainDb(eq, 900, RATE_HZ)).isCloseTo(0, within(0.2));
            assertThat(EqualizerCurve.gainDb(eq, 12_000, RATE_HZ)).isLessThan(-9);
        }
    }

    @Nested
    class AnEcho {
        private static final Block ECHO = Block.of("clean echo").with(ControlNames.TIME, 250)
                .with(ControlNames.MIX, 50).with(ControlNames.FEEDBACK, 50);

        private static double at(Sound s, double ms) {
            int middle = 100 + (int) Math.round(ms * RATE_HZ / 1000);
            double most = 0;
            for (int i = middle - 40; i <= middle + 40; i++) most = Math.max(most, Math.abs(s.mid()[i]));
            return most;
        }

        @Test
        void eachRepeatIsItsFeedbackOfTheOneBefore() {
            Sound s = through(ECHO, click(2));
            for (int n = 1; n < 5; n++)
                assertThat(at(s, 250.0 * (n + 1)) / at(s, 250.0 * n)).isCloseTo(0.5, within(0.01));
        }

        @Test
        void withoutFeedbackThereIsOne() {
            Sound s = through(ECHO.with(ControlNames.FEEDBACK, 0), click(1.5));
            assertThat(at(s, 250)).isGreaterThan(0.1);
            assertThat(at(s, 500)).isLessThan(1e-4);
        }

        @Test
        void aSecondTapStandsAtItsShareOfTheTime() {
            Sound s = through(ECHO.with(ControlNames.FEEDBACK, 0).with(ControlNames.SECOND_TAP, 60), click(1.5));
            assertThat(at(s, 150)).isGreaterThan(0.1);
            assertThat(at(s, 250)).isGreaterThan(0.1);
            assertThat(at(s, 200)).isLessThan(1e-4);
        }

        @Test
        void itsCutsMakeEveryRoundDarker() {
            Sound s = through(ECHO.with(ControlNames.HIGH_CUT, 1500).with(ControlNames.FEEDBACK, 80), click(2));
            double last = 1;
            for (int n = 1; n < 4; n++) {
                int from = 100 + (int) (0.25 * n * RATE_HZ) - 200;
                float[] piece = Arrays.copyOfRange(s.mid(), from, from + 2048);
                double bright = Math.pow(10, (Signal.levelDbAt(piece, 6000, RATE_HZ)
                        - Signal.levelDbAt(piece, 500, RATE_HZ)) / 20);
                assertThat(bright).isLessThan(last);
                last = bright;
            }
        }

        @Test
        void thatSwaysMovesItsRepeatsAndNotTheNote() {
            Block sways = ECHO.with(ControlNames.WOW, 100).with(ControlNames.FEEDBACK, 0);
            Sound in = Signal.sine(1000).atDb(-18).lasting(3);
            float[] still = through(ECHO.with(ControlNames.FEEDBACK, 0), in).mid();
            float[] moved = through(sways, in).mid();
            assertThat(Arrays.copyOf(moved, 10_000)).isEqualTo(Arrays.copyOf(still, 10_000));
            assertThat(Arrays.copyOfRange(moved, 60_000, 100_000))
                    .isNotEqualTo(Arrays.copyOfRange(still, 60_000, 100_000));
        }

        @ParameterizedTest
        @ValueSource(doubles = {95, 99})
        void neverRunsAwayHoweverMuchComesBack(double feedback) {
            Sound s = through(ECHO.with(ControlNames.FEEDBACK, Math.min(feedback,
                    ECHO.model().control(ControlNames.FEEDBACK).maximum())), click(8));
            assertThat(s.peak()).isLessThanOrEqualTo(0.6f);
        }
    }

    @Nested
    class ALoop {
        @Test
        void comesRoundAsItWasPlayed() {
            Block loop = Block.of("looper").with(ControlNames.LENGTH, 0.5).with(ControlNames.LEVEL, 100);
            float[] x = new float[3 * RATE_HZ];
            for (int i = 0; i < RATE_HZ / 2; i++) x[i] = (float) (0.2 * Math.sin(i * 0.05));
            float[] y = through(loop, Sound.mono(x, RATE_HZ)).mid();
            for (int round = 1; round < 5; round++)
                assertThat(Arrays.copyOfRange(y, round * RATE_HZ / 2, (round + 1) * RATE_HZ / 2))
                        .isEqualTo(Arrays.copyOf(x, RATE_HZ / 2));
        }

        @Test
        void withoutLevelIsNotThere() {
            Sound in = Signal.sine(300).atDb(-20).lasting(1);
            assertThat(through(Block.of("looper"), in).mid()).isEqualTo(in.mid());
        }
    }
}
