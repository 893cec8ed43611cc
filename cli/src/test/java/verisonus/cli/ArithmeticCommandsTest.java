package verisonus.cli;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.parallel.ResourceLock;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.casebook.exchange.Json;

/** Commands that compute from numbers alone, run inside the test. */
@ResourceLock("java.lang.System.out")
class ArithmeticCommandsTest {
    @ParameterizedTest
    @CsvSource({"0, 1", "10, 3", "50, 7"})
    void feedbackGivesRepeats(String feedback, int count) {
        Said s = Said.by("repeats", "--feedback-percent", feedback, "--json");
        assertThat(s.status()).isZero();
        assertThat(Json.parse("out", s.out()).path("audible_repeats").asInt()).isEqualTo(count);
    }

    @ParameterizedTest
    @ValueSource(ints = {2, 4, 9})
    void repeatsGiveFeedbackThatGivesThemBack(int count) {
        Said there = Said.by("repeats", "--count", String.valueOf(count), "--json");
        double feedback = Json.parse("out", there.out()).path("feedback_percent").asDouble();
        Said back = Said.by("repeats", "--feedback-percent", String.valueOf(feedback), "--json");
        assertThat(Json.parse("out", back.out()).path("audible_repeats").asInt()).isEqualTo(count);
    }

    @Test
    void endlessFeedbackHasNoNumber() {
        Said s = Said.by("repeats", "--feedback-percent", "100", "--json");
        assertThat(Json.parse("out", s.out()).get("audible_repeats").isNull()).isTrue();
        assertThat(Said.by("repeats", "--feedback-percent", "100").out()).contains("endless");
    }

    @Test
    void timesReadAsATableForPeople() {
        assertThat(Said.by("times", "--bpm", "140").out()).contains("triplet quarter").contains("285.7 ms");
    }

    @ParameterizedTest
    @ValueSource(strings = {"times --bpm 5", "times --bpm NaN", "repeats --count 0", "repeats --feedback-percent 101",
            "repeats --count 3 --floor-db 2", "travel x.wav --level-db-spl 300"})
    void numbersOutOfRangeAreInputsThatCannotBeUsed(String line) {
        Said s = Said.by(line.split(" ", -1));
        assertThat(s.status()).isEqualTo(3);
        assertThat(s.err()).startsWith("verisonus: ").contains("; ");
        assertThat(s.out()).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"repeats", "repeats --count 3 --feedback-percent 4", "times --bpm fast", "nothing",
            "derive --reference a.wav --di b.wav --out c --order sideways"})
    void wrongUsageIsStatusTwo(String line) {
        Said s = Said.by(line.split(" ", -1));
        assertThat(s.status()).isEqualTo(2);
        assertThat(s.err().lines().count()).isEqualTo(1);
    }

    @Test
    void verboseAddsWhereAFaultArose() {
        assertThat(Said.by("measure", "none.wav", "--verbose").err()).contains("NoSuchFileException");
        assertThat(Said.by("measure", "none.wav").err()).doesNotContain("Exception");
    }
}
