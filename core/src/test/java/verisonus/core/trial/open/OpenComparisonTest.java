package verisonus.core.trial.open;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.travel.NamedBand;
import verisonus.core.work.InputFault;

class OpenComparisonTest {
    private static final Sound NOISE = Signal.noise(3).lasting(4);

    /** Lifted at one frequency, from a time on. */
    private static Sound lifted(double hz, double db, double fromS) {
        float[] x = NOISE.mid().clone();
        new Biquad.Section(Biquad.peak(hz, db, 1.2, NOISE.rateHz())).process(x, (int) (fromS * NOISE.rateHz()),
                x.length);
        return Sound.mono(x, NOISE.rateHz());
    }

    @Test
    void theMomentAndTheBandThatDifferAreFound() {
        List<MomentGap> found = MomentGap.largest(NOISE, lifted(1600, 8, 2.5), 3);
        assertThat(found).isNotEmpty().allSatisfy(g -> {
            assertThat(g.band()).isEqualTo(NamedBand.UPPER_MIDS);
            assertThat(g.atS()).isGreaterThan(2.2);
            assertThat(g.differenceDb()).isBetween(4.0, 9.0);
        });
        assertThat(found.getFirst().words("the record", "mine")).startsWith("upper mids").endsWith("louder in mine");
    }

    @Test
    void aMarkSaysWhatDiffersThereAndNothingElsewhere() {
        Sound other = lifted(1600, 8, 2.5);
        assertThat(MomentGap.at(NOISE, other, 3.5).getFirst().band()).isEqualTo(NamedBand.UPPER_MIDS);
        assertThat(MomentGap.at(NOISE, other, 1)).allSatisfy(g -> assertThat(g.jnd()).isLessThan(0.1));
    }

    @Test
    void equalSoundsDifferNowhere() {
        assertThat(MomentGap.all(NOISE, NOISE)).allSatisfy(g -> assertThat(g.jnd()).isLessThan(1e-6));
    }

    @Test
    void onlyWhatDiffersIsNothingOfEqualOnes() {
        OnlyWhatDiffers d = OnlyWhatDiffers.of(NOISE, NOISE);
        assertThat(d.sound().rms()).isZero();
        assertThat(d.underWholeLu()).isInfinite();
    }

    @Test
    void onlyWhatDiffersHoldsWhatTheOneHasMore() {
        Sound more = lifted(1600, 12, 0);
        OnlyWhatDiffers d = OnlyWhatDiffers.of(more, NOISE);
        double in = Signal.levelDbAt(d.sound().mid(), 1600, NOISE.rateHz());
        double out = Signal.levelDbAt(d.sound().mid(), 200, NOISE.rateHz());
        assertThat(in - out).isGreaterThan(20);
        assertThat(d.underWholeLu()).isBetween(0.0, 12.0);
        // What the other one lacks is not heard from the other's side.
        assertThat(OnlyWhatDiffers.of(NOISE, more).underWholeLu()).isGreaterThan(20);
    }

    @Test
    void onlyWhatDiffersIsNeverLouderThanTheWhole() {
        Sound other = Signal.plucks(0.4, 9).lasting(4);
        assertThat(LoudnessMeter.integratedLufs(OnlyWhatDiffers.of(NOISE, other).sound()).orElseThrow())
                .isLessThan(LoudnessMeter.integratedLufs(NOISE).orElseThrow() + 0.1);
    }

    @Test
    void aSoundAgainstSilenceIsGivenBackWhole() {
        Sound d = OnlyWhatDiffers.of(NOISE, Signal.silence().lasting(4)).sound();
        float[] x = NOISE.mid();
        float[] y = d.mid();
        for (int i = 5000; i < x.length - 5000; i += 97) assertThat(y[i]).isCloseTo(x[i], within(2e-3f));
    }

    @Test
    void theBedKeepsTheTempoAndStandsItsLevelOverTheGuitar() {
        Sound guitar = Signal.plucks(0.5, 4).lasting(9);
        Sound bed = new Bed(120, 0).under(guitar);
        assertThat(bed.frames()).isEqualTo(guitar.frames());
        assertThat(LoudnessMeter.integratedLufs(bed).orElseThrow() - LoudnessMeter.integratedLufs(guitar).orElseThrow())
                .isCloseTo(3, within(0.1));
        // A kick at the beginning of each bar: two seconds apart, louder low down than just before.
        for (double bar = 2; bar < 8; bar += 2) {
            float[] low = bed.mid().clone();
            new Biquad.Section(Biquad.lowPass(90, 0.7, 48000)).process(low, 0, low.length);
            int at = (int) (bar * 48000);
            assertThat(Signal.rmsDb(low, at, at + 3000)).isGreaterThan(Signal.rmsDb(low, at - 3000, at) + 3);
        }
    }

    @Test
    void theBassPlaysTheGuitarsLowestNote() {
        // An A of 110 Hz with overtones: the bass plays its octave below.
        Sound a = Sound.mono(Signal.array(6 * 48000, i -> 0.2 * (Math.sin(i * 2 * Math.PI * 110 / 48000)
                + 0.6 * Math.sin(i * 2 * Math.PI * 220 / 48000) + 0.4 * Math.sin(i * 2 * Math.PI * 330 / 48000))),
                48000);
        // At this tempo an eighth holds whole periods, so that notes do not cancel each other in the long run.
        float[] bed = new Bed(150, 0).under(a).mid();
        // Its third harmonic, clear of the drums.
        assertThat(Signal.levelDbAt(bed, 165, 48000)).isGreaterThan(Signal.levelDbAt(bed, 3 * 49, 48000) + 12)
                .isGreaterThan(Signal.levelDbAt(bed, 3 * 61.7, 48000) + 12);
    }

    @Test
    void anImpossibleTempoIsRefused() {
        assertThatThrownBy(() -> new Bed(1000, 0)).isInstanceOf(InputFault.class).hasMessageContaining("30 to 300");
        assertThatThrownBy(() -> new Bed(Double.NaN, 0)).isInstanceOf(InputFault.class);
    }

    @Test
    void aGuitarStandsInTheBandAsLoudAsTheRecordsMust() {
        Sound guitar = Signal.plucks(0.4, 9).lasting(4);
        Sound record = InTheMix.of(guitar, NOISE, 0);
        Sound laid = InTheMix.asInTheRecord(guitar.gained(-17), NOISE, record);
        assertThat(LoudnessMeter.integratedLufs(laid).orElseThrow()).isCloseTo(
                LoudnessMeter.integratedLufs(InTheMix.asInTheRecord(guitar.gained(8), NOISE, record)).orElseThrow(),
                within(0.01));
        assertThat(LoudnessMeter.integratedLufs(laid).orElseThrow()).isLessThan(
                LoudnessMeter.integratedLufs(record).orElseThrow() + 0.1);
    }
}
