package verisonus.core.evidence.study;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.signs.HarmonicPart;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

class IsolationTest {
    private static final Sound TONE = Signal.sine(440).atDb(-12).lasting(3);
    private static final Sound CLICKS = Signal.of(t -> t % 0.5 < 0.0004 ? 0.5 : 0).lasting(3);

    private static Sound stereo(Sound l, Sound r) {
        return Sound.stereo(l.channel(0), r.channel(0), l.rateHz());
    }

    @ParameterizedTest
    @EnumSource(Isolation.class)
    void keepsLengthAndRate(Isolation way) {
        Sound x = stereo(TONE, CLICKS);
        Sound y = way.of(x);
        assertThat(y.frames()).isEqualTo(x.frames());
        assertThat(y.rateHz()).isEqualTo(x.rateHz());
        assertThat(way.words()).isNotBlank();
        assertThat(way.about()).isNotBlank();
    }

    @Test
    void middleAndSidesSplitWhatIsSharedFromWhatIsNot() {
        Sound alike = stereo(TONE, TONE);
        assertThat(Isolation.SIDE.of(alike).rms()).isZero();
        assertThat(Isolation.CENTRE.of(alike).rms()).isCloseTo(TONE.rms(), within(1e-6));
        assertThat(Isolation.LEFT.of(stereo(TONE, CLICKS)).channel(0)).isEqualTo(TONE.channel(0));
        assertThat(Isolation.RIGHT.of(stereo(TONE, CLICKS)).channel(0)).isEqualTo(CLICKS.channel(0));
    }

    @Test
    void sidesOfMonoAreTheWholeSinceThereAreNone() {
        assertThat(Isolation.SIDE.of(TONE)).isSameAs(TONE);
        assertThat(Isolation.SIDE.suits(1)).isFalse();
    }

    @Test
    void theRingingPartKeepsATone() {
        Sound y = Isolation.RINGING.of(TONE);
        assertThat(y.rms()).isCloseTo(TONE.rms(), within(0.1 * TONE.rms()));
    }

    @Test
    void theRingingPartLosesStrikes() {
        assertThat(Isolation.RINGING.of(CLICKS).rms()).isLessThan(0.3 * CLICKS.rms());
    }

    @Test
    void aLongSoundIsTakenApartInPiecesWithoutSeams() {
        Sound x = Signal.sine(330).atDb(-12).lasting(45);
        float[] y = new HarmonicPart(48000).of(x).channel(0);
        for (int seam : new int[]{20, 40}) {
            double before = Signal.rmsDb(y, seam * 48000 - 4800, seam * 48000);
            double after = Signal.rmsDb(y, seam * 48000, seam * 48000 + 4800);
            assertThat(after).isCloseTo(before, within(0.05));
        }
    }

    @Test
    void theGuitarBandLosesBassAndCymbals() {
        assertThat(Isolation.GUITAR_BAND.of(Signal.sine(45).atDb(-6).lasting(1)).rms()).isLessThan(0.05);
        assertThat(Isolation.GUITAR_BAND.of(Signal.sine(12000).atDb(-6).lasting(1)).rms()).isLessThan(0.05);
        assertThat(Isolation.GUITAR_BAND.of(TONE).rms()).isCloseTo(TONE.rms(), within(0.02 * TONE.rms()));
    }

    @Nested
    class Company {
        private static final Sound GUITAR = Signal.plucks(0.3, 8).lasting(6);

        private static Sound bass() {
            return Signal.of(t -> 0.15 * Math.sin(2 * Math.PI * 49 * t) * Math.exp(-3 * (t % 0.5))).lasting(6);
        }

        @Test
        void aGuitarByItselfIsAlone() {
            assertThat(CompanyEstimator.of(GUITAR).probability()).isLessThan(0.3);
        }

        @Test
        void aBassUnderItIsHeard() {
            assertThat(CompanyEstimator.of(Signal.sum(GUITAR, bass())).probability()).isGreaterThan(0.7);
        }

        @Test
        void aBandThatHoldsTheBassIsNotTheGuitars() {
            Evidence alone = Examination.of(GUITAR, verisonus.core.work.Progress.NONE);
            Evidence with = Examination.of(Signal.sum(GUITAR, bass()), verisonus.core.work.Progress.NONE);
            assertThat(with.spectrum().trust()[0]).isLessThan(0.4);
            assertThat(alone.spectrum().levelAt(1000)).isLessThan(50);
        }

        @Test
        void aGuitarAsideIsPlacedAndItsMiddleIsNot() {
            Sound mix = Sound.stereo(Signal.sum(GUITAR, bass()).channel(0),
                    Signal.sum(GUITAR.gained(-14), bass()).channel(0), 48000);
            assertThat(CompanyEstimator.of(mix).panDegrees()).isLessThan(-15);
            assertThat(CompanyEstimator.of(GUITAR).panDegrees()).isZero();
        }
    }
}
