package verisonus.core.simulate.parts;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Signal;

/** The small parts that everything else is built of. */
class PartsTest {
    private static final double RATE_HZ = 48_000;

    private static float[] noise(int n, long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        float[] x = new float[n];
        for (int i = 0; i < n; i++) x[i] = (float) (0.3 * r.nextGaussian());
        return x;
    }

    @Nested
    class ADelayLine {
        @ParameterizedTest
        @ValueSource(ints = {1, 2, 7, 100, 999})
        void givesBackWhatCameInSoManySamplesAgo(int ago) {
            float[] x = noise(3000, 1);
            DelayLine line = new DelayLine(1000);
            for (int i = 0; i < x.length; i++) {
                line.write(x[i]);
                if (i >= ago) assertThat(line.read(ago)).isEqualTo(x[i - ago + 1]);
            }
        }

        @Test
        void betweenSamplesFollowsASineToAThousandth() {
            DelayLine line = new DelayLine(100);
            double hz = 1000;
            for (int i = 0; i < 2000; i++) {
                line.write(Math.sin(2 * Math.PI * hz * i / RATE_HZ));
                if (i < 200) continue;
                for (double ago = 10; ago < 11; ago += 0.13) {
                    double at = i + 1 - ago;
                    assertThat(line.read(ago)).isCloseTo(Math.sin(2 * Math.PI * hz * at / RATE_HZ), within(1e-3));
                }
            }
        }

        @Test
        void isSilentAfterAReset() {
            DelayLine line = new DelayLine(64);
            for (float v : noise(64, 2)) line.write(v);
            line.reset();
            for (int ago = 1; ago < 64; ago++) assertThat(line.read(ago)).isZero();
        }

        @Test
        void keepsNothingThatIsSlowToComputeWith() {
            DelayLine line = new DelayLine(8);
            line.write(1e-25);
            assertThat(line.read(1)).isZero();
        }
    }

    @Nested
    class ASlowSine {
        @ParameterizedTest
        @ValueSource(doubles = {0.05, 0.6, 5, 12})
        void runsAtItsRateAndNeverGrows(double hz) {
            Lfo lfo = new Lfo(hz, RATE_HZ);
            for (int i = 0; i < 480_000; i++) {
                if (i % 4801 == 0) {
                    assertThat(lfo.sin()).isCloseTo(Math.sin(2 * Math.PI * hz * i / RATE_HZ), within(1e-6));
                    assertThat(Math.hypot(lfo.sin(), lfo.cos())).isCloseTo(1, within(1e-12));
                }
                lfo.step();
            }
        }

        @Test
        void isReadAheadOfItself() {
            Lfo lfo = new Lfo(3, RATE_HZ);
            for (int i = 0; i < 1234; i++) lfo.step();
            double ahead = lfo.sin(Math.sin(Math.PI / 2), Math.cos(Math.PI / 2));
            assertThat(ahead).isCloseTo(lfo.cos(), within(1e-12));
        }
    }

    @Nested
    class ALag {
        @Test
        void movesBothSidesByItsSamplesAndNothingElse() {
            float[][] x = {noise(500, 3), noise(500, 4)};
            float[][] was = {x[0].clone(), x[1].clone()};
            Lag lag = new Lag(37);
            lag.process(x, 500);
            assertThat(lag.latency()).isEqualTo(37);
            for (int c = 0; c < 2; c++) {
                // What is read before it is written is one sample later than asked: the lag counts from there.
                assertThat(Arrays.copyOfRange(x[c], 37, 500)).isEqualTo(Arrays.copyOfRange(was[c], 0, 463));
                assertThat(Arrays.copyOf(x[c], 37)).containsOnly(0f);
            }
        }
    }

    @Nested
    class AFilterBank {
        @ParameterizedTest
        @CsvSource({"100, 6", "1000, -4", "5000, 9"})
        void doesWhatItsCurveSays(double hz, double db) {
            Biquad peak = Biquad.peak(hz, db, 1, RATE_HZ);
            float[] x = Signal.sine(hz).atDb(-20).lasting(1).mid().clone();
            double before = Signal.levelDbAt(x, hz, 48_000);
            new FilterBank(List.of(peak), 1).process(new float[][]{x}, x.length);
            float[] settled = Arrays.copyOfRange(x, 24_000, 48_000);
            assertThat(Signal.levelDbAt(settled, hz, 48_000) - before).isCloseTo(db, within(0.1));
        }

        @Test
        void inSeriesTheirDecibelsAdd() {
            List<Biquad> both = List.of(Biquad.lowShelf(300, 5, RATE_HZ), Biquad.peak(200, -3, 1, RATE_HZ));
            float[] x = Signal.sine(200).atDb(-20).lasting(1).mid().clone();
            double before = Signal.levelDbAt(x, 200, 48_000);
            new FilterBank(both, 0.5).process(new float[][]{x}, x.length);
            double expected = both.get(0).gainDbAt(200, RATE_HZ) + both.get(1).gainDbAt(200, RATE_HZ) - 6.0206;
            assertThat(Signal.levelDbAt(Arrays.copyOfRange(x, 24_000, 48_000), 200, 48_000) - before)
                    .isCloseTo(expected, within(0.1));
        }

        @Test
        void inPiecesIsTheSameAsInOne() {
            float[] whole = noise(4000, 5);
            float[] pieces = whole.clone();
            FilterBank a = new FilterBank(List.of(Biquad.highShelf(2000, 7, RATE_HZ)), 1.5);
            FilterBank b = new FilterBank(List.of(Biquad.highShelf(2000, 7, RATE_HZ)), 1.5);
            a.process(new float[][]{whole}, 4000);
            for (int from = 0; from < 4000; from += 125) {
                float[] part = Arrays.copyOfRange(pieces, from, from + 125);
                b.process(new float[][]{part}, 125);
                System.arraycopy(part, 0, pieces, from, 125);
            }
            assertThat(pieces).isEqualTo(whole);
        }
    }

    @Nested
    class ALevelAndPan {
        @ParameterizedTest
        @ValueSource(doubles = {-100, -40, 0, 25, 100})
        void keepsThePowerWhereverItStands(double pan) {
            float[][] x = {{0.5f}, {0.5f}};
            new VolumePan(0, pan).process(x, 1);
            assertThat(x[0][0] * x[0][0] + x[1][0] * x[1][0]).isCloseTo(0.5f, within(1e-5f));
        }

        @Test
        void atOneSideTheOtherIsSilent() {
            float[][] x = {{0.5f}, {0.5f}};
            new VolumePan(-6.0206, 100).process(x, 1);
            assertThat(x[0][0]).isCloseTo(0, within(1e-6f));
            assertThat(x[1][0]).isCloseTo((float) (0.25 * Math.sqrt(2)), within(1e-5f));
        }
    }

    @Nested
    class AOnePole {
        @ParameterizedTest
        @CsvSource({"100, 48000", "1000, 48000", "5000, 192000"})
        void liesThreeDecibelsDownAtItsCorner(double hz, double rateHz) {
            double g = OnePole.coefficient(hz, rateHz);
            double state = 0;
            double power = 0;
            int n = (int) rateHz;
            for (int i = 0; i < n; i++) {
                double v = (Math.sin(2 * Math.PI * hz * i / rateHz) - state) * g;
                double low = v + state;
                state = low + v;
                if (i >= n / 2) power += low * low;
            }
            assertThat(10 * Math.log10(2 * power / (n / 2.0))).isCloseTo(-3.01, within(0.03));
        }
    }
}
