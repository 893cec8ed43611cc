package verisonus.core.compare;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Never more is said than was measured. */
class VerdictTest {
    private static GapLedger off(double jnd) {
        return new GapLedger(List.of(new GapRow(GapAttribute.BITE, "dB", 0, -jnd, 1, "microphone", "nearer", true)),
                0.5);
    }

    @Test
    void nearIsWhereNothingIsOffMissingOrUnjudged() {
        assertThat(Verdict.of(off(0.4), List.of(), List.of()).near()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(doubles = {1.6, 3, 9})
    void aDifferenceThatIsHeardIsNeverNearAndIsNamed(double jnd) {
        Verdict v = Verdict.of(off(jnd), List.of(), List.of());
        assertThat(v.near()).isFalse();
        assertThat(v.words()).contains("bite");
    }

    @Test
    void aMissingEffectIsNeverNear() {
        Verdict v = Verdict.of(off(0.1), List.of("echo"), List.of());
        assertThat(v.near()).isFalse();
        assertThat(v.words()).contains("missing: echo");
    }

    @Test
    void whatCouldNotBeJudgedIsNeverNear() {
        Verdict v = Verdict.of(off(0.1), List.of(), List.of("space"));
        assertThat(v.near()).isFalse();
        assertThat(v.words()).contains("could not be judged: space");
    }

    private static GapLedger with(GapAttribute what, double wanted, double has, boolean ofTone) {
        return new GapLedger(List.of(new GapRow(what, "dB", wanted, has, 1, "rest", "", ofTone)), 0.5);
    }

    @Test
    void aWidthThatNoSettingMakesIsNeverNearAndIsSaid() {
        Verdict v = Verdict.of(with(GapAttribute.REST_SIDES, -12, -32, false), List.of(), List.of());
        assertThat(v.near()).isFalse();
        assertThat(v.words()).contains("wider");
    }

    @Test
    void aWidthThatIsWantedSoIsNotHeldAgainstTheTone() {
        GapLedger gap = with(GapAttribute.REST_SIDES, -12, -32, true)
                .wanting(java.util.Set.of(GapAttribute.REST_SIDES));
        assertThat(Verdict.of(gap, List.of(), List.of()).near()).isTrue();
    }

    @Test
    void aColourThatThePassageLeavesOpenIsNeverNearAndNoDifferenceEither() {
        GapLedger gap = with(GapAttribute.COLOUR_LEFT_OPEN, 0, 2.4, true);
        Verdict v = Verdict.of(gap, List.of(), List.of());
        assertThat(v.near()).isFalse();
        assertThat(v.words()).contains("longer");
        assertThat(gap.scoreJnd()).isZero();
    }

    @Test
    void whatTheHandMakesDoesNotCount() {
        GapRow hand = new GapRow(GapAttribute.LOUD_TO_SOFT, "dB", 50, 9, 1.5, "amp", "", true).ofTheHand();
        assertThat(Verdict.of(new GapLedger(List.of(hand), 0), List.of(), List.of()).near()).isTrue();
    }
}
