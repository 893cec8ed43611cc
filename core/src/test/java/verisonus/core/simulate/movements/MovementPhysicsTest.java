package verisonus.core.simulate.movements;

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
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/** What movements do to a tone, by the figures on their controls. */
class MovementPhysicsTest {
    private static final int RATE_HZ = 48_000;

    private static Sound through(Block b, Sound in) {
        return Renderer.render(new Tone("t", List.of(b)), in, Quality.FINAL, Progress.NONE);
    }

    /** Peaks of pieces of 5 ms. */
    private static double[] envelope(float[] x) {
        double[] out = new double[x.length / 240];
        for (int t = 0; t < out.length; t++)
            for (int i = t * 240; i < (t + 1) * 240; i++) out[t] = Math.max(out[t], Math.abs(x[i]));
        return out;
    }

    private static double rateOf(double[] envelope) {
        double best = 0;
        double bestHz = 0;
        double mean = Arrays.stream(envelope).average().orElse(0);
        for (double hz = 0.3; hz < 15; hz += 0.02) {
            double re = 0;
            double im = 0;
            for (int t = 0; t < envelope.length; t++) {
                double a = 2 * Math.PI * hz * t / 200;
                double w = 0.5 - 0.5 * Math.cos(2 * Math.PI * t / envelope.length);
                re += w * (envelope[t] - mean) * Math.cos(a);
                im += w * (envelope[t] - mean) * Math.sin(a);
            }
            if (re * re + im * im > best) {
                best = re * re + im * im;
                bestHz = hz;
            }
        }
        return bestHz;
    }

    /** Swing of the instantaneous frequency by zero crossings, cents to either side of the middle. */
    private static double swingCents(float[] x) {
        double last = -1;
        double low = 1e9;
        double high = 0;
        for (int i = RATE_HZ / 2; i + 1 < x.length - 2000; i++) {
            if (x[i] >= 0 || x[i + 1] < 0) continue;
            double at = i - x[i] / (double) (x[i + 1] - x[i]);
            if (last >= 0) {
                low = Math.min(low, at - last);
                high = Math.max(high, at - last);
            }
            last = at;
        }
        return 600 * Math.log(high / low) / Math.log(2);
    }

    @Nested
    class ATremolo {
        @ParameterizedTest
        @CsvSource({"bias tremolo, 4", "bias tremolo, 7.5", "optical tremolo, 5", "optical tremolo, 2.2"})
        void swaysAtItsRate(String model, double hz) {
            Block b = Block.of(model).with(ControlNames.RATE, hz).with(ControlNames.DEPTH, 60);
            double[] e = envelope(through(b, Signal.sine(500).atDb(-12).lasting(5)).mid());
            assertThat(rateOf(e)).isCloseTo(hz, within(0.05 * hz));
        }

        @Test
        void swaysFurtherWithMoreDepthAndNeverAddsLevel() {
            double last = 0;
            for (double depth = 10; depth <= 90; depth += 20) {
                double[] e = envelope(through(Block.of("bias tremolo").with(ControlNames.DEPTH, depth)
                        .with(ControlNames.RATE, 4), Signal.sine(500).atDb(-12).lasting(3)).mid());
                double[] steady = Arrays.copyOfRange(e, 100, e.length - 20);
                double swing = Arrays.stream(steady).max().orElseThrow() - Arrays.stream(steady).min().orElseThrow();
                assertThat(swing).isGreaterThan(last);
                assertThat(Arrays.stream(steady).max().orElseThrow()).isLessThan(1.02 * Math.pow(10, -12 / 20.0)
                        * Math.sqrt(2));
                last = swing;
            }
        }
    }

    @Nested
    class AVibrato {
        @ParameterizedTest
        @ValueSource(doubles = {10, 20, 40})
        void swaysThePitchByItsDepth(double depth) {
            Block b = Block.of("vibrato").with(ControlNames.RATE, 5).with(ControlNames.DEPTH, depth)
                    .with(ControlNames.MIX, 100);
            double cents = swingCents(through(b, Signal.sine(440).atDb(-12).lasting(3)).channel(0));
            // Full depth is a semitone to either side.
            assertThat(cents).isCloseTo(depth, within(0.15 * depth + 1));
        }

        @Test
        void keepsTheLevel() {
            Block b = Block.of("vibrato").with(ControlNames.DEPTH, 30).with(ControlNames.MIX, 100);
            float[] y = through(b, Signal.sine(440).atDb(-12).lasting(2)).channel(0);
            assertThat(Signal.rmsDb(y, 30_000, 90_000)).isCloseTo(-12, within(3.2));
            double[] e = Arrays.copyOfRange(envelope(y), 100, 350);
            assertThat(Arrays.stream(e).max().orElseThrow() / Arrays.stream(e).min().orElseThrow()).isLessThan(1.06);
        }
    }

    @Nested
    class APhaser {
        @Test
        void movesNotchesThroughAnEvenSound() {
            Block b = Block.of("four-stage phaser").with(ControlNames.RATE, 0.5).with(ControlNames.DEPTH, 100)
                    .with(ControlNames.MIX, 50);
            double deepest = 0;
            for (double hz : new double[]{300, 500, 800, 1200}) {
                double[] e = envelope(through(b, Signal.sine(hz).atDb(-12).lasting(4)).mid());
                double[] steady = Arrays.copyOfRange(e, 40, e.length);
                deepest = Math.max(deepest, 20 * Math.log10(Arrays.stream(steady).max().orElseThrow()
                        / Arrays.stream(steady).min().orElseThrow()));
            }
            assertThat(deepest).isGreaterThan(12);
        }

        @Test
        void aloneWithoutItsDrySoundOnlyTurnsPhases() {
            Block b = Block.of("four-stage phaser").with(ControlNames.MIX, 100).with(ControlNames.FEEDBACK, 0)
                    .with(ControlNames.RATE, 0.1);
            float[] y = through(b, Signal.sine(700).atDb(-12).lasting(1.5)).mid();
            double in = Signal.rmsDb(Signal.sine(700).atDb(-12).lasting(1.5).mid(), 30_000, 60_000);
            assertThat(Signal.rmsDb(y, 30_000, 60_000)).isCloseTo(in, within(0.1));
        }
    }

    @Nested
    class ATurningLoudspeaker {
        @ParameterizedTest
        @CsvSource({"0, 0.8", "1, 6.7"})
        void comesToTheSpeedThatIsChosen(double choice, double hz) {
            Block b = Block.of("rotary").with(ControlNames.SPEED, choice).with(ControlNames.INERTIA, 0.1)
                    .with(ControlNames.DEPTH, 60).with(ControlNames.MIX, 100);
            float[] y = through(b, Signal.sine(3000).atDb(-12).lasting(8)).channel(0);
            double[] e = envelope(y);
            assertThat(rateOf(Arrays.copyOfRange(e, e.length / 3, e.length))).isCloseTo(hz, within(0.08 * hz + 0.03));
        }

        @Test
        void takesLongerToGetThereTheHeavierItIs() {
            double light = firstSecondsRate(0.1);
            double heavy = firstSecondsRate(3);
            assertThat(heavy).isLessThan(light);
        }

        private double firstSecondsRate(double inertiaS) {
            Block b = Block.of("rotary").with(ControlNames.SPEED, 1).with(ControlNames.INERTIA, inertiaS)
                    .with(ControlNames.MIX, 100);
            double[] e = envelope(through(b, Signal.sine(3000).atDb(-12).lasting(1.6)).channel(0));
            int turns = 0;
            double mean = Arrays.stream(e).average().orElse(0);
            for (int t = 1; t < e.length; t++) if (e[t - 1] < mean && e[t] >= mean) turns++;
            return turns / 1.6;
        }
    }

    @Nested
    class AResonantFilter {
        @Test
        void standsHigherTheFurtherTheToeIsDown() {
            double last = 0;
            for (double position = 0; position <= 100; position += 25) {
                double loudest = loudestHz(Block.of("pedal filter").with(ControlNames.POSITION, position)
                        .with(ControlNames.RESONANCE, 8).with(ControlNames.MIX, 100));
                assertThat(loudest).isGreaterThan(last);
                last = loudest;
            }
            assertThat(last).isBetween(1900.0, 2500.0);
        }

        private double loudestHz(Block b) {
            double best = -200;
            double at = 0;
            for (double hz = 250; hz < 3500; hz *= 1.06) {
                float[] y = through(b, Signal.sine(hz).atDb(-20).lasting(0.4)).mid();
                double db = Signal.rmsDb(y, 9600, 19_000);
                if (db > best) {
                    best = db;
                    at = hz;
                }
            }
            return at;
        }
    }

    @Nested
    class AnOctave {
        private static final double HZ = 196;

        private static double against(Block b, double hz) {
            float[] y = through(b, Signal.sine(HZ).atDb(-12).lasting(1.5)).mid();
            float[] settled = Arrays.copyOfRange(y, 24_000, 24_000 + 24_000);
            return Signal.levelDbAt(settled, hz, RATE_HZ);
        }

        @Test
        void aboveAndBelowLieWhereTheirNamesSay() {
            Block up = Block.of("octave").with(ControlNames.ABOVE, 100).with(ControlNames.BELOW, 0);
            Block down = Block.of("octave").with(ControlNames.ABOVE, 0).with(ControlNames.BELOW, 100);
            Block none = Block.of("octave").with(ControlNames.ABOVE, 0).with(ControlNames.BELOW, 0);
            assertThat(against(up, 2 * HZ)).isGreaterThan(against(none, 2 * HZ) + 30);
            assertThat(against(down, HZ / 2)).isGreaterThan(against(none, HZ / 2) + 30);
        }
    }
}
