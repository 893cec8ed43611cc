package verisonus.core.trial.step;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;

class OwnStepsTest {
    private static StepSearch searched(double step, long seed) {
        Random r = new Random(seed);
        StepSearch s = StepSearch.begin(0.1, 12);
        while (!s.isEnded()) {
            double size = s.next();
            double p = 0.5 + 0.5 * (1 - Math.pow(0.5, Math.pow(size / step, 2)));
            s = s.answered(size, r.nextDouble() < p);
        }
        return s;
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.4, 1, 3})
    void theStepIsFoundOnAverageOfSomeListeners(double step) {
        double log = 0;
        for (int i = 0; i < 8; i++) log += Math.log(searched(step, i).step()) / 8;
        assertThat(Math.exp(log) / step).isCloseTo(1, within(0.15));
    }

    @Test
    void trialsGetSmallerWhileAllIsRightAndLargerWhenNothingIs() {
        StepSearch s = StepSearch.begin(0.1, 10);
        double first = s.next();
        StepSearch right = s;
        StepSearch wrong = s;
        for (int i = 0; i < 6; i++) {
            right = right.answered(right.next(), true);
            wrong = wrong.answered(wrong.next(), false);
        }
        assertThat(right.next()).isLessThan(first);
        assertThat(wrong.next()).isGreaterThan(first);
        assertThat(right.factor()).isLessThan(s.factor());
    }

    @Test
    void whoHearsNothingIsToldThatTheStepLiesBeyond() {
        StepSearch s = StepSearch.begin(0.1, 2);
        for (int i = 0; i < 30; i++) s = s.answered(2, i % 2 == 0);
        assertThat(s.isBeyond()).isTrue();
        assertThat(searched(1, 1).isBeyond()).isFalse();
    }

    @Test
    void aSearchNeedsRoom() {
        assertThatThrownBy(() -> StepSearch.begin(1, 1.5)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> StepSearch.begin(0, 1)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void threeOfFourAreRightAtTheStepWhateverTheSteepness() {
        for (double k : Psychometric.STEEPNESS)
            assertThat(Psychometric.right(1, k)).isCloseTo(0.75, within(0.01));
        assertThat(Psychometric.right(0, 1)).isCloseTo(0.5, within(1e-6));
        assertThat(Psychometric.right(20, 1)).isGreaterThan(0.98);
    }

    @Test
    void matchingAThirdIsHarderThanNamingOneOfTwoAndIsCountedSo() {
        for (double steps : new double[]{0.3, 1, 2})
            assertThat(Psychometric.rightOfX(steps, 1)).isBetween(0.5, Psychometric.right(steps, 1));
        assertThat(Psychometric.rightOfX(0, 1)).isCloseTo(0.5, within(1e-6));
        assertThat(Psychometric.rightOfX(1, 1)).isCloseTo(0.59, within(0.01));
        // A listener whose step is the usual one answers 59 of 100 so, and 75 of 100 in the easier form.
        assertThat(own(new ToldApart(GapAttribute.BITE, 1, 59, 100, true)).factor()).isCloseTo(1, within(0.15));
        assertThat(own(new ToldApart(GapAttribute.BITE, 1, 75, 100)).factor()).isCloseTo(1, within(0.15));
        assertThat(own(new ToldApart(GapAttribute.BITE, 1, 59, 100)).factor()).isGreaterThan(1.3);
    }

    @Test
    void withoutTrialsTheStepsAreTheUsualOnes() {
        assertThat(OwnSteps.of(List.of()).byAttribute()).isEmpty();
        assertThat(OwnSteps.of(List.of(new ToldApart(GapAttribute.BITE, 0, 0, 0))).byAttribute()).isEmpty();
    }

    @Test
    void whatWasMissedMakesTheStepLargerAndWhatWasToldSmaller() {
        OwnSteps.Own missed = own(new ToldApart(GapAttribute.BITE, 1.5, 8, 16));
        OwnSteps.Own told = own(new ToldApart(GapAttribute.BITE, 0.7, 15, 16));
        assertThat(missed.factor()).isGreaterThan(1.15);
        assertThat(told.factor()).isLessThan(0.9);
        assertThat(told.answers()).isEqualTo(16);
        OwnSteps.Own more = OwnSteps.of(List.of(new ToldApart(GapAttribute.BITE, 0.7, 15, 16), new ToldApart(
                GapAttribute.BITE, 0.6, 14, 16))).find(GapAttribute.BITE).orElseThrow();
        assertThat(more.give()).isLessThan(told.give());
    }

    private static OwnSteps.Own own(ToldApart t) {
        return OwnSteps.of(List.of(t)).find(t.attribute()).orElseThrow();
    }

    @Test
    void theLedgerIsReadWithOwnEarsAndKeepsItsFigures() {
        GapLedger usual = new GapLedger(List.of(row(GapAttribute.BITE, 3), row(GapAttribute.BODY, 2)), 1);
        OwnSteps own = OwnSteps.of(List.of(new ToldApart(GapAttribute.BITE, 3, 8, 16)));
        GapLedger heard = own.heard(usual);
        assertThat(heard.find(GapAttribute.BITE).orElseThrow().audibility()).isLessThan(3);
        assertThat(heard.find(GapAttribute.BODY).orElseThrow().audibility()).isEqualTo(2);
        assertThat(heard.find(GapAttribute.BITE).orElseThrow().difference()).isEqualTo(3);
        assertThat(heard.rows().getFirst().audibility()).isGreaterThanOrEqualTo(heard.rows().getLast().audibility());
    }

    private static GapRow row(GapAttribute a, double jnd) {
        return new GapRow(a, "dB", 0, jnd, 1, "amp", "", true);
    }
}
