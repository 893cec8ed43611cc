package verisonus.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.evidence.dirt.SaturationEstimator;
import verisonus.core.evidence.movement.ModulationEstimator;
import verisonus.core.evidence.movement.ModulationKind;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.movement.Swing;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.evidence.space.ReverbEstimator;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class MovementAndSpaceTest {
    private static final double RATE_SHARE = 0.01;
    /** Ringing notes, as an arpeggio leaves them. */
    private static final Sound RINGING = notes(0.9, 1.1, 8);
    /** Short notes that are stopped, with rests between them. */
    private static final Sound STOPPED = stopped();

    private static Sound notes(double everyS, double fall, double seconds) {
        double[] hz = {110, 164.8, 146.8, 196, 130.8, 220};
        return Signal.of(t -> {
            int n = (int) (t / everyS);
            double sum = 0;
            for (int k = Math.max(0, n - 1); k <= n; k++) {
                double u = t - k * everyS;
                for (int p = 1; p <= 14; p++) {
                    sum += 0.12 / p * Math.exp(-u * fall * (1 + 0.1 * p))
                            * Math.sin(2 * Math.PI * p * hz[k % 6] * u + p);
                }
            }
            return sum;
        }).lasting(seconds);
    }

    private static Sound stopped() {
        SplittableRandom random = new SplittableRandom(4);
        double[] hz = new double[40];
        for (int i = 0; i < hz.length; i++) hz[i] = 110 * Math.pow(2, random.nextInt(24) / 12.0);
        return Signal.of(t -> {
            int n = (int) (t / 1.2);
            double u = t - 1.2 * n;
            if (u > 0.22) return 0;
            double sum = 0;
            for (int p = 1; p <= 12; p++)
                sum += 0.12 / p * Math.exp(-4 * u) * Math.sin(2 * Math.PI * p * hz[n % 40] * u);
            return sum * Math.min(1, (0.22 - u) / 0.01);
        }).lasting(12);
    }

    private static Sound shaped(Sound x, Signal.Shape gain) {
        return Sound.mono(Signal.array(x.frames(), i -> x.channel(0)[i] * gain.at(i / 48000.0)), 48000);
    }

    @Nested
    class Tremolo {
        @ParameterizedTest
        @CsvSource({"3.1, 0.6", "5.4, 0.7", "7.2, 0.5"})
        void isFoundWithItsRateAndDepth(double hz, double depth) {
            Sound x = shaped(RINGING, t -> 1 - depth * (0.5 + 0.5 * Math.sin(2 * Math.PI * hz * t)));
            ModulationReading m = ModulationEstimator.estimate(x).value().orElseThrow();
            assertThat(m.kind()).isEqualTo(ModulationKind.TREMOLO);
            assertThat(m.rateHz().orElseThrow()).isCloseTo(hz, within(RATE_SHARE * hz));
            assertThat(m.depthPercent().orElseThrow()).isCloseTo(100 * depth, within(20.0));
        }

        @Test
        void deeperReadsDeeper() {
            double last = 0;
            for (double depth : new double[]{0.4, 0.6, 0.8}) {
                Sound x = shaped(RINGING, t -> 1 - depth * (0.5 + 0.5 * Math.sin(2 * Math.PI * 5 * t)));
                double now = ModulationEstimator.estimate(x).value().orElseThrow().depthPercent().orElseThrow();
                assertThat(now).isGreaterThan(last);
                last = now;
            }
        }
    }

    @Test
    void vibratoIsFoundWithItsRate() {
        double hz = 4.5;
        float[] x = RINGING.channel(0);
        Sound swayed = Sound.mono(Signal.array(x.length, i -> {
            double at = i - 30 - 30 * Math.sin(2 * Math.PI * hz * i / 48000.0);
            int k = (int) Math.floor(at);
            double u = at - k;
            return k < 0 || k + 1 >= x.length ? 0 : (1 - u) * x[k] + u * x[k + 1];
        }), 48000);
        ModulationReading m = ModulationEstimator.estimate(swayed).value().orElseThrow();
        assertThat(m.kind()).isEqualTo(ModulationKind.VIBRATO);
        assertThat(m.rateHz().orElseThrow()).isCloseTo(hz, within(RATE_SHARE * hz));
    }

    @Test
    void nothingIsSaidToSwayInDryPlaying() {
        for (Sound dry : List.of(RINGING, STOPPED, Signal.plucks(0.31, 3).lasting(8))) {
            assertThat(ModulationEstimator.estimate(dry).isPresent()).isFalse();
        }
    }

    @Test
    void aSwayWithGapsIsReadFromWhatIsThere() {
        double[] curve = new double[800];
        for (int i = 0; i < curve.length; i++)
            curve[i] = i % 50 < 20 ? Double.NaN : 3 * Math.sin(2 * Math.PI * 4.2 * i * 0.01);
        Swing s = Swing.of(curve, 0.01, 1.5, 10);
        assertThat(s.rateHz()).isCloseTo(4.2, within(0.02));
        assertThat(s.amplitude()).isCloseTo(3, within(0.1));
        assertThat(s.share()).isGreaterThan(0.95);
        assertThat(Swing.of(new double[10], 0.01, 1, 10)).isEqualTo(Swing.NONE);
    }

    @Nested
    class Space {
        private static Sound in(Sound dry, double decayS, double levelDb) {
            SplittableRandom random = new SplittableRandom(9);
            float[] x = dry.channel(0);
            float[] out = x.clone();
            int taps = (int) (decayS * 48000);
            double energy = 0;
            double[] gain = new double[1600];
            int[] at = new int[gain.length];
            for (int k = 0; k < gain.length; k++) {
                at[k] = random.nextInt(taps);
                gain[k] = (random.nextBoolean() ? 1 : -1) * Math.pow(10, -3.0 * at[k] / taps);
                energy += gain[k] * gain[k];
            }
            double scale = Math.pow(10, levelDb / 20) / Math.sqrt(energy);
            for (int k = 0; k < gain.length; k++) {
                float g = (float) (scale * gain[k]);
                for (int i = at[k]; i < out.length; i++) out[i] += g * x[i - at[k]];
            }
            return Sound.mono(out, 48000);
        }

        @ParameterizedTest
        @ValueSource(doubles = {0.9, 1.8})
        void isReadBehindStoppedNotes(double decayS) {
            ReverbReading r = ReverbEstimator.estimate(in(STOPPED, decayS, -10)).value().orElseThrow();
            assertThat(r.decayS()).isCloseTo(decayS, within(0.35 * decayS));
        }

        @Test
        void isNotHeardWhereStoppedNotesEndInSilence() {
            assertThat(ReverbEstimator.estimate(STOPPED).presence()).isEqualTo(Presence.ABSENT);
        }

        @Test
        void cannotBeToldFromRingingStrings() {
            assertThat(ReverbEstimator.estimate(RINGING).isPresent()).isFalse();
        }

        @Test
        void theDryTakeShowsItsDecayAndLevelUnderNotesThatRunOn() {
            Sound dry = Signal.plucks(0.27, 5).lasting(9);
            PairedExamination p = PairedExamination.of(in(dry, 1.4, -9), dry, Progress.NONE);
            assertThat(p.gained()).contains("reverb");
            ReverbReading r = p.evidence().reverb().value().orElseThrow();
            assertThat(r.decayS()).isCloseTo(1.4, within(0.35));
            assertThat(r.levelDb().orElseThrow()).isCloseTo(-9, within(2.5));
        }

        @Test
        void anotherTakeShowsNothingMore() {
            assertThat(PairedExamination.of(STOPPED, RINGING, Progress.NONE).gained()).isEmpty();
        }
    }

    @Nested
    class Dirt {
        private static Sound clipped(Sound x, double driveDb) {
            double gain = 0.5 / x.peak() * Math.pow(10, driveDb / 20);
            return Sound.mono(Signal.array(x.frames(), i -> 0.5 * Math.tanh(gain * x.channel(0)[i])), 48000);
        }

        @ParameterizedTest
        @ValueSource(longs = {1, 2, 3})
        void risesWithEveryStepIntoAClipper(long seed) {
            Sound dry = Signal.plucks(0.28, seed).lasting(6);
            double last = 0;
            for (double drive = 6; drive <= 30; drive += 6) {
                double now = SaturationEstimator.estimate(clipped(dry, drive)).value().orElseThrow().index();
                assertThat(now).as("seed %d, %.0f dB", seed, drive).isGreaterThan(last);
                last = now;
            }
            assertThat(last).isGreaterThan(0.5);
        }

        @Test
        void doesNotDependOnTheLevel() {
            Sound x = clipped(Signal.plucks(0.3, 4).lasting(5), 15);
            double loud = SaturationEstimator.estimate(x).value().orElseThrow().index();
            assertThat(SaturationEstimator.estimate(x.gained(-20)).value().orElseThrow().index()).isCloseTo(loud,
                    within(0.02));
        }

        @Test
        void silenceHasNone() {
            assertThat(SaturationEstimator.estimate(Signal.silence().lasting(3)).presence())
                    .isEqualTo(Presence.UNKNOWN);
        }
    }
}
