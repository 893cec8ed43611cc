package verisonus.core.perform.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.evidence.notes.PlayedNote;
import verisonus.core.plan.NoteValue;
import verisonus.core.sound.Signal;
import verisonus.core.work.InputFault;

class RhythmPlanTest {
    private static final RhythmPlan.Echo ECHO = new RhythmPlan.Echo(375, 30, -4, 0);

    private static List<PlayedNote> notes(double... atS) {
        List<PlayedNote> out = new ArrayList<>();
        for (double t : atS) out.add(new PlayedNote(t, 1, false));
        return out;
    }

    @Test
    void beginningsAreFoundToTwoMilliseconds() {
        int[] steps = {0, 3, 4, 6, 8, 11, 12, 14, 16, 18, 19, 22, 24, 28};
        for (long seed = 1; seed <= 3; seed++) {
            double[] at = PluckedPhrase.sixteenths(104, steps, 12, seed);
            List<PlayedNote> found = NoteStarts.of(PluckedPhrase.at(at, 5));
            assertThat(found).hasSize(at.length);
            for (int i = 0; i < at.length; i++)
                assertThat(found.get(i).atS()).as("note " + i + " of " + seed).isCloseTo(at[i], within(0.002));
        }
    }

    @Test
    void aDottedEighthFillsTheGapsOfPlayedEighths() {
        double bpm = 120;
        double[] eighths = new double[16];
        for (int i = 0; i < eighths.length; i++) eighths[i] = 0.1 + 0.25 * i;
        RhythmPlan p = RhythmPlan.of(notes(eighths), ECHO, bpm);
        assertThat(p.grid()).isEqualTo(0.25);
        assertThat(p.newAccents()).hasSizeGreaterThanOrEqualTo(16);
        assertThat(p.flams()).isEmpty();
        assertThat(p.newAccents()).allSatisfy(n -> assertThat(Math.abs(n.errorMs())).isLessThan(1));
        RhythmPlan quarters = RhythmPlan.of(notes(eighths), ECHO.timed(500), bpm);
        assertThat(quarters.newAccents().size()).isLessThan(6);
    }

    @Test
    void theBestNoteValueIsTheOneThatFillsTheGaps() {
        double[] eighths = new double[16];
        for (int i = 0; i < eighths.length; i++) eighths[i] = 0.1 + 0.25 * i;
        List<RhythmPlan.Choice> all = RhythmPlan.choices(notes(eighths), ECHO, 120);
        assertThat(all.getFirst().flams()).isZero();
        assertThat(all.getFirst().value()).isIn(NoteSum.parse("dotted eighth").values().getFirst(),
                NoteSum.parse("sixteenth").values().getFirst());
        assertThat(all).extracting(c -> c.value().name()).contains("quarter", "triplet quarter");
    }

    @Test
    void aRepeatJustBesideAPlayedNoteStumbles() {
        RhythmPlan p = RhythmPlan.of(notes(0.1, 0.6, 1.1, 1.6), ECHO.timed(450), 120);
        assertThat(p.flams()).isNotEmpty();
    }

    @Test
    void whatIsPlayedLateIsLateByThatMuch() {
        double[] at = {0.1, 0.6, 1.1, 1.615, 2.1, 2.6, 3.1, 3.6};
        RhythmPlan p = RhythmPlan.of(notes(at), ECHO, 120);
        RhythmPlan.Note late = p.notes().stream().filter(n -> n.isPlayed() && n.of() == 3).findFirst().orElseThrow();
        assertThat(late.errorMs()).isCloseTo(15, within(3.0));
    }

    @Test
    void everyRepeatIsSofterThanTheOneBeforeIt() {
        RhythmPlan p = RhythmPlan.of(notes(0.1), new RhythmPlan.Echo(300, 50, -6, 0), 100);
        assertThat(p.notes()).hasSizeGreaterThan(3);
        for (int i = 1; i < p.notes().size(); i++)
            assertThat(p.notes().get(i).levelDb()).isLessThan(p.notes().get(i - 1).levelDb());
    }

    @Test
    void aTakeWithoutANoteIsRefused() {
        assertThatThrownBy(() -> NoteStarts.of(Signal.silence().lasting(3))).isInstanceOf(InputFault.class)
                .hasMessageContaining("no note begins");
        assertThatThrownBy(() -> RhythmPlan.of(notes(0.1), ECHO, 1000)).isInstanceOf(InputFault.class)
                .hasMessageContaining("20 to 400");
    }

    @Test
    void noteValuesOfTheGridAreKnownByName() {
        assertThat(NoteValue.near(375, 120, 0.01)).map(NoteValue::name).contains("dotted eighth");
    }
}
