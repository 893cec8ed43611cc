package verisonus.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class ArithmeticTest {
    @ParameterizedTest
    @CsvSource({"quarter, 120, 500", "dotted eighth, 100, 450", "triplet quarter, 140, 285.714", "eighth, 60, 500",
            "whole, 120, 2000"})
    void noteValuesAreSixtyThousandOverTheTempo(String name, double bpm, double ms) {
        NoteValue v = NoteValue.ALL.stream().filter(n -> n.name().equals(name)).findFirst().orElseThrow();
        assertThat(v.milliseconds(bpm)).isCloseTo(ms, within(0.001));
    }

    @Test
    void theNearestNoteValueIsFoundWithinItsTolerance() {
        assertThat(NoteValue.near(286, 140, 0.02).orElseThrow().name()).isEqualTo("triplet quarter");
        assertThat(NoteValue.near(310, 140, 0.02)).isEmpty();
    }

    @Test
    void theyStandLongestFirst() {
        for (int i = 1; i < NoteValue.ALL.size(); i++) {
            assertThat(NoteValue.ALL.get(i).quarters()).isLessThan(NoteValue.ALL.get(i - 1).quarters());
        }
    }

    @ParameterizedTest
    @CsvSource({"0, 1", "10, 3", "50, 7", "80, 21"})
    void feedbackGivesItsRepeatsAboveTheFloor(double feedback, int count) {
        assertThat(new Repeats(0, -40).audible(feedback).orElseThrow()).isEqualTo(count);
    }

    @ParameterizedTest
    @ValueSource(ints = {2, 3, 5, 9, 20})
    void theLeastFeedbackGivesBackTheCount(int count) {
        Repeats r = new Repeats(-6, -40);
        double feedback = r.leastFeedbackPercent(count);
        assertThat(r.audible(feedback + 0.01).orElseThrow()).isEqualTo(count);
        assertThat(r.audible(feedback - 0.5).orElseThrow()).isEqualTo(count - 1);
    }

    @Test
    void fullFeedbackNeverEnds() {
        assertThat(new Repeats(0, -40).audible(100)).isEmpty();
        assertThat(new Repeats(-50, -40).audible(30).orElseThrow()).isZero();
    }
}
