package verisonus.core.evidence;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.Optional;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.evidence.dirt.SaturationReading;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.movement.PitchSway;
import verisonus.core.evidence.movement.Swing;
import verisonus.core.evidence.signs.BandLevels;
import verisonus.core.evidence.signs.Cepstrum;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.LinearPrediction;
import verisonus.core.evidence.signs.OnsetCurve;
import verisonus.core.evidence.signs.Plot;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.take.PairedResponse;

/** The parts that estimators are made of. */
class BasicsTest {
    @Nested
    class OfTheCepstrum {
        @ParameterizedTest
        @CsvSource({"2000, 0.4", "5000, 0.25", "9000, 0.5"})
        void aCopyStandsAtItsLagWithHalfItsAmplitude(int lag, double amplitude) {
            float[] x = Signal.noise(6).samples(120_000);
            float[] y = Signal.array(x.length, i -> x[i] + (i >= lag ? amplitude * x[i - lag] : 0));
            Cepstrum c = new Cepstrum.Source(y, 22050).band(60, 5000);
            assertThat(2 * c.peakNear(lag, 2)).isCloseTo(amplitude, within(0.12));
            assertThat(c.refinedLag(lag, 2)).isCloseTo(lag, within(0.5));
        }

        @Test
        void noiseAloneHasNoPeak() {
            Cepstrum c = new Cepstrum.Source(Signal.noise(6).samples(120_000), 22050).band(60, 5000);
            for (int lag = 2000; lag < 20000; lag += 1111) assertThat(c.peakNear(lag, 2)).isLessThan(0.06);
        }
    }

    @Nested
    class OfPrediction {
        @Test
        void whatCanBeForetoldIsTakenAway() {
            float[] sine = Signal.sine(440).atDb(-6).samples(22050);
            float[] rest = LinearPrediction.residual(sine, 40);
            assertThat(Signal.rmsDb(rest, 2000, 20000)).isLessThan(Signal.rmsDb(sine, 2000, 20000) - 20);
        }

        @Test
        void noiseStaysNoise() {
            float[] noise = Signal.noise(2).samples(22050);
            float[] rest = LinearPrediction.residual(noise, 40);
            assertThat(Signal.rmsDb(rest, 2000, 20000)).isCloseTo(Signal.rmsDb(noise, 2000, 20000), within(0.5));
        }
    }

    @Nested
    class OfOnsets {
        @ParameterizedTest
        @ValueSource(doubles = {0.25, 0.4, 0.7})
        void notesBeginWhereTheyWerePlayed(double everyS) {
            Sound x = Signal.of(t -> 0.4 * Math.exp(-6 * (t % everyS)) * Math.sin(2 * Math.PI * 300 * (t % everyS)))
                    .lasting(5);
            double[] onsets = OnsetCurve.of(x).onsetsS();
            for (double o : onsets) {
                double off = Math.abs(o / everyS - Math.rint(o / everyS)) * everyS;
                assertThat(off).as("onset at %.3f", o).isLessThan(0.04);
            }
            assertThat(onsets.length).isBetween((int) (5 / everyS) - 3, (int) (5 / everyS) + 1);
        }

        @Test
        void aSteadyToneBeginsOnce() {
            assertThat(OnsetCurve.of(Signal.sine(300).atDb(-6).lasting(4)).onsetsS().length).isLessThanOrEqualTo(1);
        }
    }

    @Nested
    class OfMovement {
        @Test
        void gapsStandWhereNotesBegin() {
            float[] x = Signal.plucks(0.5, 3).atRate(22050).samples(22050 * 4);
            boolean[] gap = BandLevels.of(x).gaps(4);
            int gaps = 0;
            for (boolean g : gap) if (g) gaps++;
            assertThat(gaps).isBetween(20, gap.length / 2);
        }

        @Test
        void bandsFollowAChangeOfLevelAlike() {
            Sound x = Signal.noise(3).atDb(-20).lasting(2);
            double[][] soft = BandLevels.of(x.atRate(BandLevels.RATE_HZ).mid()).db();
            double[][] loud = BandLevels.of(x.gained(6).atRate(BandLevels.RATE_HZ).mid()).db();
            for (int b = 0; b < BandLevels.BANDS; b++) assertThat(loud[50][b] - soft[50][b]).isCloseTo(6, within(0.01));
        }

        @Test
        void aSteadyToneHasNoPitchMovement() {
            PitchSway p = PitchSway.of(Signal.of(t -> 0.2 * Math.sin(2 * Math.PI * 330 * t)
                    + 0.1 * Math.sin(2 * Math.PI * 660 * t) + 0.1 * Math.sin(2 * Math.PI * 990 * t)).atRate(22050)
                    .samples(22050 * 3));
            assertThat(Swing.medianSize(p.cents())).isLessThan(0.02);
            assertThat(p.binSlope()).isLessThan(3);
        }
    }

    @Nested
    class OfPlots {
        @Test
        void thinningKeepsTheHighestPoint() {
            double[] x = new double[5000];
            double[] y = new double[5000];
            for (int i = 0; i < x.length; i++) x[i] = i;
            y[3210] = 9;
            Plot p = new Plot("t", "ms", x, y, new double[0]).thinnedTo(300);
            assertThat(p.x()).hasSize(300);
            assertThat(Arrays.stream(p.y()).max().orElseThrow()).isEqualTo(9);
            assertThat(p.thinnedTo(1000)).isSameAs(p);
        }

        @Test
        void unequalAxesAreRefused() {
            assertThatThrownBy(() -> new Plot("t", "ms", new double[2], new double[3], new double[0]))
                    .isInstanceOf(IllegalArgumentException.class);
        }
    }

    @Nested
    class OfFindings {
        @Test
        void onlyWhatIsPresentHasAValue() {
            assertThatThrownBy(() -> new Finding<>(Presence.ABSENT, Optional.of(1), 0.5, "", Optional.empty()))
                    .isInstanceOf(IllegalArgumentException.class);
            assertThat(Finding.present(3, 0.9, "because").value()).contains(3);
        }

        @Test
        void impossibleReadingsAreRefused() {
            assertThatThrownBy(() -> new EchoReading(-1, 10, -6, false)).hasMessageContaining("-1");
            assertThatThrownBy(() -> new EchoReading(300, 140, -6, false)).hasMessageContaining("140");
            assertThatThrownBy(() -> new SaturationReading(1.5, 0)).hasMessageContaining("1.5");
        }

        @Test
        void theIndexIsHalfWayInTheMiddleAndRisesWithDrive() {
            assertThat(SaturationReading.ofDrive(13).index()).isCloseTo(0.5, within(1e-9));
            double last = -1;
            for (double d = -6; d <= 40; d += 2) {
                double now = SaturationReading.ofDrive(d).index();
                assertThat(now).isGreaterThan(last);
                last = now;
            }
        }
    }

    @Test
    void aTakeOfThePerformanceGivesASharpBeginning() {
        Sound take = Signal.plucks(0.3, 8).lasting(6);
        PairedResponse r = PairedResponse.of(take.gained(-6), take).orElseThrow();
        double later = 0;
        for (int m = 100; m < 500; m++) later = Math.max(later, r.energy()[m]);
        assertThat(10 * Math.log10(r.energy()[0] / later)).isGreaterThan(20);
        assertThat(PairedResponse.of(Signal.plucks(0.37, 99).lasting(6), take)).isEmpty();
    }
}
