package verisonus.casebook.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.casebook.store.LogEntry;

class WorkDoneTest {
    private static final Instant START = Instant.parse("2026-03-01T19:00:00Z");

    private static LogEntry at(long seconds, String text) {
        return new LogEntry(seconds, START.plusSeconds(seconds), text, false, OptionalLong.of(1),
                OptionalDouble.empty(), OptionalDouble.empty(), "");
    }

    private static LogEntry gaining(long seconds, String text, double before, double after, boolean undone) {
        return new LogEntry(seconds, START.plusSeconds(seconds), text, undone, OptionalLong.of(1),
                OptionalDouble.of(before), OptionalDouble.of(after), "");
    }

    /** Newest first, as the logbook gives them. */
    private static WorkDone of(LogEntry... oldestFirst) {
        List<LogEntry> out = new ArrayList<>(List.of(oldestFirst));
        return WorkDone.of(out.reversed());
    }

    @ParameterizedTest
    @CsvSource({"Added take.wav as di, gathering", "Marked 1–2 s as core tone, marking", "Derived a tone, deriving",
            "Measured a region, measuring", "Amp gain to 5, turning", "Kept a trim for headphones, travelling",
            "Kept a variant, setting up", "Noted a claim, noting", "Rated five, comparing by ear"})
    void theTimeBeforeAChangeCountsForItsStep(String text, String step) {
        assertThat(of(at(0, "New case"), at(40, text)).seconds()).containsEntry(step, 40L);
    }

    @Test
    void stepsOfOneKindAreAddedAndTheLongestComesFirst() {
        WorkDone w = of(at(0, "New case"), at(10, "Derived a tone"), at(100, "Amp gain to 5"),
                at(130, "Amp gain to 6"));
        assertThat(w.seconds().keySet()).containsExactly("turning", "deriving");
        assertThat(w.seconds()).containsEntry("turning", 120L);
        assertThat(w.words()).containsExactly("Time: turning 2 min, deriving 10 s.");
    }

    @Test
    void aBreakIsNoWork() {
        assertThat(of(at(0, "New case"), at(3600, "Derived a tone"), at(3620, "Amp gain to 5")).seconds())
                .containsOnlyKeys("turning");
    }

    @Test
    void aClockThatWasPutBackTakesNothingAway() {
        assertThat(of(at(100, "New case"), at(50, "Derived a tone")).seconds()).isEmpty();
    }

    @Test
    void whatBroughtTheToneNearerMostIsNamed() {
        WorkDone w = of(gaining(0, "Derived a tone", 9, 4, false), gaining(10, "Amp treble to 6", 4, 3.5, false));
        assertThat(w.best().orElseThrow().text()).isEqualTo("Derived a tone");
        assertThat(w.words()).contains("Most was gained by: Derived a tone (9.0 → 4.0 JND).");
    }

    @Test
    void whatWasTakenBackOrBroughtNothingIsNotNamed() {
        assertThat(of(gaining(0, "Amp bass to 9", 8, 2, true), gaining(9, "Amp mid to 4", 3, 2.95, false)).best())
                .isEmpty();
    }

    @Test
    void anEmptyLogbookSaysNothing() {
        assertThat(WorkDone.of(List.of()).words()).isEmpty();
    }
}
