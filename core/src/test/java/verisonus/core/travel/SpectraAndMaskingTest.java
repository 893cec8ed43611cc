package verisonus.core.travel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

class SpectraAndMaskingTest {
    private static float[] noise(long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        float[] x = new float[96_000];
        for (int i = 0; i < x.length; i++) x[i] = (float) (0.1 * r.nextGaussian());
        return x;
    }

    private static double all(double[] power) {
        return Arrays.stream(power).sum();
    }

    @Nested
    class APassage {
        @ParameterizedTest
        @ValueSource(doubles = {100, 440, 1000, 5000})
        void holdsASineInTheBandThatItLiesIn(double hz) {
            double[] p = PassageSpectra.of(Signal.sine(hz).atDb(-20).lasting(2)).power(2);
            int loudest = 0;
            for (int b = 1; b < p.length; b++) if (p[b] > p[loudest]) loudest = b;
            double centre = PassageSpectra.BANDS.centresHz()[loudest];
            assertThat(Math.abs(Math.log(centre / hz) / Math.log(2))).isLessThan(0.18);
            assertThat(p[loudest] / all(p)).isGreaterThan(0.85);
        }

        @Test
        void twiceTheAmplitudeIsFourTimesThePower() {
            Sound s = Sound.mono(noise(1), 48_000);
            assertThat(all(PassageSpectra.of(s.gained(6.0206)).power(2)) / all(PassageSpectra.of(s).power(2)))
                    .isCloseTo(4, within(0.001));
        }

        @Test
        void onOneLoudspeakerSidesThatAreTurnedVanish() {
            float[] left = noise(2);
            float[] right = left.clone();
            for (int i = 0; i < right.length; i++) right[i] = -right[i];
            PassageSpectra s = PassageSpectra.of(Sound.stereo(left, right, 48_000));
            assertThat(all(s.power(1))).isLessThan(1e-6 * all(s.power(2)));
        }

        @Test
        void ofUnlikeSidesOneLoudspeakerPlaysHalfThePower() {
            PassageSpectra s = PassageSpectra.of(Sound.stereo(noise(3), noise(4), 48_000));
            assertThat(all(s.power(1)) / all(s.power(2))).isCloseTo(0.5, within(0.03));
        }

        @Test
        void namedBandsHoldMostAndNothingTwice() {
            double[] p = PassageSpectra.of(Sound.mono(noise(5), 48_000)).power(2);
            double named = 0;
            for (NamedBand n : NamedBand.values()) named += PassageSpectra.bandPower(n, p);
            assertThat(named / all(p)).isGreaterThan(0.75).isLessThanOrEqualTo(1 + 1e-9);
        }

        @Test
        void aBandFarUnderTheStrongestIsEmpty() {
            double[] p = PassageSpectra.of(Signal.sine(500).atDb(-20).lasting(2)).power(2);
            assertThat(PassageSpectra.isEmpty(NamedBand.HIGHS, p)).isTrue();
            double[] even = PassageSpectra.of(Sound.mono(noise(6), 48_000)).power(2);
            for (NamedBand n : NamedBand.values())
                if (n != NamedBand.SUB) assertThat(PassageSpectra.isEmpty(n, even)).as(n.words()).isFalse();
        }
    }

    @Nested
    class Covering {
        private static final double[] HZ = PassageSpectra.BANDS.centresHz();

        private static double[] at(double hz, double db) {
            double[] out = new double[HZ.length];
            Arrays.fill(out, -60);
            int nearest = 0;
            for (int b = 0; b < HZ.length; b++)
                if (Math.abs(Math.log(HZ[b] / hz)) < Math.abs(Math.log(HZ[nearest] / hz))) nearest = b;
            out[nearest] = db;
            return out;
        }

        private static double thresholdAt(double hz, double[] masker) {
            double[] t = Masking.thresholdDbSpl(HZ, masker, true);
            int nearest = 0;
            for (int b = 0; b < HZ.length; b++)
                if (Math.abs(Math.log(HZ[b] / hz)) < Math.abs(Math.log(HZ[nearest] / hz))) nearest = b;
            return t[nearest];
        }

        @Test
        void inItsOwnBandAMaskerHidesWhatLiesSixDecibelsUnderIt() {
            assertThat(thresholdAt(1000, at(1000, 80))).isCloseTo(80 - Masking.OFFSET_DB, within(0.5));
        }

        @Test
        void upwardsItReachesFurtherThanDownwards() {
            double[] m = at(1000, 90);
            assertThat(thresholdAt(2000, m)).isGreaterThan(thresholdAt(500, m));
        }

        @Test
        void theLouderItIsTheFlatterItReachesUpwards() {
            double soft = 60 - thresholdAt(2000, at(1000, 60));
            double loud = 100 - thresholdAt(2000, at(1000, 100));
            assertThat(loud).isLessThan(soft);
        }

        @Test
        void silenceHidesOnlyWhatNobodyHears() {
            double[] t = Masking.thresholdDbSpl(HZ, at(1000, -60), true);
            for (int b = 0; b < HZ.length; b++)
                if (HZ[b] > 300 && HZ[b] < 6000) assertThat(t[b]).isLessThan(15);
        }

        @Test
        void theBarkAxisRisesAndHasItsKnownPlaces() {
            assertThat(Masking.bark(100)).isCloseTo(1, within(0.1));
            assertThat(Masking.bark(1000)).isCloseTo(8.5, within(0.2));
            assertThat(Masking.bark(4000)).isCloseTo(17.3, within(0.5));
        }
    }

    @Nested
    class ABand {
        @Test
        void countsOneForLoudnessWhateverItsLevel() {
            BandBed plain = BandBed.plain();
            assertThat(PassageSpectra.weighted(plain.power())).isCloseTo(1, within(1e-9));
            BandBed own = BandBed.of(Sound.mono(noise(7), 48_000), Sound.mono(noise(8), 48_000).gained(-9));
            assertThat(PassageSpectra.weighted(own.power())).isCloseTo(1, within(1e-9));
            assertThat(own.overGuitarLu()).isCloseTo(9, within(0.2));
        }

        @Test
        void thatIsSilentIsThePlainOne() {
            Sound silent = Sound.mono(new float[96_000], 48_000);
            assertThat(BandBed.of(silent, Sound.mono(noise(9), 48_000)).overGuitarLu())
                    .isEqualTo(BandBed.plain().overGuitarLu());
        }
    }
}
