package verisonus.core.evidence.study;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

class AloneBarsTest {
    private static final Sound GUITAR = throughASpeaker(Signal.plucks(0.3, 6).lasting(16));

    private static Sound throughASpeaker(Sound x) {
        float[] y = x.channel(0).clone();
        for (int i = 0; i < 2; i++) new Biquad.Section(Biquad.lowPass(4500, 0.8, 48000)).process(y, 0, y.length);
        return Sound.mono(y, 48000);
    }

    /** The guitar, with a low line and hats between two times. */
    private static Sound withOthers(double fromS, double toS) {
        Sound hiss = Signal.noise(3).atDb(0).lasting(16);
        return Sound.mono(Signal.array(GUITAR.frames(), i -> {
            double t = i / 48000.0;
            double x = GUITAR.channel(0)[i];
            if (t < fromS || t >= toS) return x;
            return x + 0.3 * Math.sin(2 * Math.PI * 46 * t) + (t % 0.25 < 0.04 ? 0.12 * hiss.channel(0)[i] : 0);
        }), 48000);
    }

    @Test
    void aGuitarByItselfHasNoCompany() {
        AloneBars bars = AloneBars.of(GUITAR);
        assertThat(bars.company()).isZero();
        assertThat(bars.worthStudying()).isEmpty();
    }

    @Test
    void aLowLineAndHatsAreCompanyWhereTheyPlay() {
        AloneBars bars = AloneBars.of(withOthers(8, 16));
        assertThat(bars.company()).isBetween(0.4, 0.65);
        assertThat(bars.logOdds(0, 6)).isGreaterThan(bars.logOdds(10, 16) + 3);
        Excerpt worth = bars.worthStudying().orElseThrow();
        assertThat(worth.toS()).isLessThan(9);
    }

    @Test
    void whereOthersComeInIsHeardToHalfASecond() {
        for (double at : new double[]{5, 7.5, 10}) {
            AloneBars bars = AloneBars.of(withOthers(at, 16));
            assertThat(bars.logOdds(at - 1, at - 0.5)).as("before %s s", at).isGreaterThan(AloneBars.STILL);
            assertThat(bars.logOdds(at + 0.5, at + 1)).as("after %s s", at).isLessThan(AloneBars.STILL);
        }
    }

    @Test
    void whereOthersAlwaysPlayNothingIsWorthStudyingAlone() {
        AloneBars bars = AloneBars.of(withOthers(0, 16));
        assertThat(bars.company()).isGreaterThan(0.9);
        assertThat(bars.worthStudying()).isEmpty();
    }

    @Test
    void twoEqualChannelsSayTheSameAsOne() {
        Sound song = withOthers(8, 16);
        Sound both = Sound.stereo(song.channel(0), song.channel(0).clone(), 48000);
        assertThat(AloneBars.of(both).logOdds()).containsExactly(AloneBars.of(song).logOdds());
    }

    @Test
    void loudnessDoesNotMatter() {
        AloneBars loud = AloneBars.of(withOthers(8, 16));
        AloneBars soft = AloneBars.of(withOthers(8, 16).gained(-20));
        for (int i = 0; i < loud.logOdds().length; i++)
            assertThat(soft.logOdds()[i]).isCloseTo(loud.logOdds()[i], org.assertj.core.api.Assertions.within(0.3));
    }

    @Test
    void ofNextToNothingNothingIsSaid() {
        AloneBars bars = AloneBars.of(GUITAR.slice(0, 0.1));
        assertThat(bars.logOdds()).isEmpty();
        assertThat(bars.company()).isZero();
        assertThat(bars.likelihoodAt(0)).isEqualTo(1);
    }
}
