package verisonus.core.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Optional;
import org.junit.jupiter.api.Test;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.dirt.SaturationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.core.work.Progress;

class GapLedgerTest {
    private static final Sound TONE = Signal.plucks(0.3, 12).lasting(6);
    private static final Evidence EVIDENCE = Examination.of(TONE, Progress.NONE);

    private static GapLedger against(Sound candidate) {
        return GapLedger.between(EVIDENCE, Examination.of(candidate, Progress.NONE));
    }

    private static Sound filtered(Biquad f) {
        float[] x = TONE.channel(0).clone();
        new Biquad.Section(f).process(x, 0, x.length);
        return Sound.mono(x, TONE.rateHz());
    }

    @Test
    void aSoundDiffersFromItselfInNothing() {
        GapLedger g = GapLedger.between(EVIDENCE, EVIDENCE);
        assertThat(g.scoreJnd()).isZero();
        assertThat(g.audibleRows()).isZero();
        assertThat(g.spectrumRmsDb().orElseThrow()).isZero();
    }

    @Test
    void loudnessDoesNotCount() {
        assertThat(against(TONE.gained(-14)).scoreJnd()).isLessThan(0.2);
    }

    @Test
    void aLiftIsNamedByItsBandWithItsSignAndAdvice() {
        GapLedger g = against(filtered(Biquad.peak(2600, 8, 1.2, 48000)));
        GapRow top = g.rows().get(0);
        assertThat(top.attribute()).isEqualTo(GapAttribute.BITE);
        assertThat(top.difference()).isPositive();
        assertThat(top.audibility()).isGreaterThan(2);
        assertThat(top.advice()).contains("further out");
    }

    @Test
    void aCutAsksForTheOppositeMove() {
        Optional<GapRow> row = against(filtered(Biquad.peak(2600, -8, 1.2, 48000))).find(GapAttribute.BITE);
        assertThat(row.orElseThrow().difference()).isNegative();
        assertThat(row.orElseThrow().advice()).contains("nearer the centre");
    }

    @Test
    void rowsStandMostAudibleFirst() {
        GapLedger g = against(filtered(Biquad.lowShelf(300, -10, 48000)));
        for (int i = 1; i < g.rows().size(); i++) {
            assertThat(g.rows().get(i).audibility()).isLessThanOrEqualTo(g.rows().get(i - 1).audibility());
        }
    }

    @Test
    void aLargerChangeIsMoreAudible() {
        double last = 0;
        for (double db = 2; db <= 12; db += 2) {
            double now = against(filtered(Biquad.peak(700, db, 1, 48000))).scoreJnd();
            assertThat(now).isGreaterThan(last);
            last = now;
        }
    }

    @Test
    void audibilityIsDifferenceOverItsJustNoticeableOne() {
        GapRow row = new GapRow(GapAttribute.CREST, "dB", -3, -6.1, 1.55, "amp", "", true);
        assertThat(row.difference()).isCloseTo(-3.1, within(1e-9));
        assertThat(row.audibility()).isCloseTo(2, within(1e-9));
    }

    @Test
    void bandsAtTheEndsOfHearingNeedMore() {
        assertThat(JndScale.bandDb(40, 80)).isEqualTo(2);
        assertThat(JndScale.bandDb(400, 1000)).isEqualTo(1);
        assertThat(JndScale.echoTimeMs(50)).isEqualTo(5);
        assertThat(JndScale.echoTimeMs(500)).isEqualTo(20);
    }

    @Test
    void anotherGuitarMustReadFurtherApartInDirtBeforeItCounts() {
        Evidence one = EVIDENCE.saturated(Finding.present(SaturationReading.ofIndex(0.3), 0.9, "read"));
        Evidence other = EVIDENCE.saturated(Finding.present(SaturationReading.ofIndex(0.42), 0.9, "read"));
        GapRow same = GapLedger.between(one, other, Pairing.SAME_PERFORMANCE).find(GapAttribute.SATURATION)
                .orElseThrow();
        GapRow again = GapLedger.between(one, other, Pairing.PLAYED_AGAIN).find(GapAttribute.SATURATION)
                .orElseThrow();
        assertThat(again.difference()).isEqualTo(same.difference());
        assertThat(again.audibility()).isLessThan(same.audibility());
        assertThat(again.ofTone()).isTrue();
    }
}
