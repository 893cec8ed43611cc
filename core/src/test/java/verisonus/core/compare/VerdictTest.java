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
        assertThat(v.words()).contains("2-4 kHz");
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

    @Test
    void whatTheHandMakesDoesNotCount() {
        GapRow hand = new GapRow(GapAttribute.LOUD_TO_SOFT, "dB", 50, 9, 1.5, "amp", "", true).ofTheHand();
        assertThat(Verdict.of(new GapLedger(List.of(hand), 0), List.of(), List.of()).near()).isTrue();
    }
}
