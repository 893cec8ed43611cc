package verisonus.desktop.derive.gap;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;
import verisonus.desktop.desk.DeskFixture;

class SpectraTest {
    private static final Sound TONE = DeskFixture.notes(3, 0.3);

    @Test
    void ofTheSameSoundLieOnEachOtherWhateverTheLevel() {
        Spectra s = Spectra.of(TONE, TONE.gained(-17));
        for (int i = 0; i < s.hz().length; i++) assertThat(s.mineDb()[i]).isCloseTo(s.referenceDb()[i], within(0.05));
    }

    @Test
    void aLiftStandsOutWhereItIs() {
        float[] x = TONE.mid().clone();
        new Biquad.Section(Biquad.peak(2000, 9, 1.5, 48000)).process(x, 0, x.length);
        Spectra s = Spectra.of(TONE, Sound.mono(x, 48000));
        int best = 0;
        for (int i = 0; i < s.hz().length; i++) {
            if (s.mineDb()[i] - s.referenceDb()[i] > s.mineDb()[best] - s.referenceDb()[best]) best = i;
        }
        assertThat(s.hz()[best]).isBetween(1500.0, 2700.0);
    }

    @Test
    void theLoudestBandOfTheReferenceIsTheTop() {
        double top = -99;
        for (double v : Spectra.of(TONE, TONE).referenceDb()) top = Math.max(top, v);
        assertThat(top).isCloseTo(0, within(1e-9));
    }
}
