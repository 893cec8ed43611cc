package verisonus.core.perform.time;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.evidence.notes.TempoCourse;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;

class TempoBindingTest {
    private static final Tone TONE = new Tone("t", List.of(Block.of("chiming edge"),
            Block.of("clean echo").with(ControlNames.TIME, 450).with(ControlNames.MIX, 20),
            Block.of("optical tremolo").with(ControlNames.RATE, 5)));

    @Test
    void tiedNoteValuesAddUp() {
        NoteSum s = NoteSum.parse("quarter + eighth");
        assertThat(s.quarters()).isEqualTo(1.5);
        assertThat(s.milliseconds(100)).isCloseTo(900, within(1e-9));
        assertThat(s.words()).isEqualTo("quarter + eighth");
        assertThatThrownBy(() -> NoteSum.parse("quaver")).hasMessageContaining("no note value");
    }

    @Test
    void aTimeIsReadAsOneNoteValueOrTwo() {
        assertThat(NoteSum.near(450, 100, 0.02)).map(NoteSum::words).contains("dotted eighth");
        assertThat(NoteSum.near(750, 100, 0.02)).map(NoteSum::words).contains("quarter + sixteenth");
        assertThat(NoteSum.near(487, 100, 0.005)).isEmpty();
    }

    @Test
    void whatIsANoteValueAlreadyIsSuggestedAndFollowsTheTempo() {
        List<TempoBinding> bound = TempoBinding.suggested(TONE, 100);
        assertThat(bound).extracting(b -> b.place().toString()).containsExactly("echo/time", "modulation/rate");
        Tone faster = TONE;
        for (TempoBinding b : bound) faster = b.at(faster, 120);
        assertThat(faster.find("echo").orElseThrow().get(ControlNames.TIME)).isCloseTo(375, within(1e-6));
        assertThat(faster.find("modulation").orElseThrow().get(ControlNames.RATE)).isCloseTo(6, within(1e-6));
    }

    @Test
    void aTempoOfNobodyAndATimeTheEchoHasNotAreRefused() {
        TempoBinding b = new TempoBinding(new ControlPlace("echo", "time"), NoteSum.parse("dotted half"));
        assertThatThrownBy(() -> b.at(TONE, 0)).isInstanceOf(InputFault.class).hasMessageContaining("20 to 400");
        assertThatThrownBy(() -> b.at(TONE, 40)).isInstanceOf(InputFault.class).hasMessageContaining("another note");
        assertThatThrownBy(() -> new TempoBinding(new ControlPlace("amp", "gain"), NoteSum.parse("eighth"))
                .at(TONE, 100)).isInstanceOf(InputFault.class).hasMessageContaining("no time or rate");
    }

    @Test
    void theRangeHoldsADriftingTempoAndTheFootsPathFollowsIt() {
        double from = 96;
        double to = 104;
        double[] at = new double[120];
        double t = 0.2;
        int n = 0;
        while (t < 40 && n < at.length) {
            at[n++] = t;
            t += 30 / (from + (to - from) * t / 40);
        }
        Sound take = PluckedPhrase.at(java.util.Arrays.copyOf(at, n), 41);
        TempoRange r = TempoRange.of(TempoCourse.of(take, 100));
        assertThat(r.steady()).isFalse();
        assertThat(r.lowBpm()).isCloseTo(from, within(1.5));
        assertThat(r.highBpm()).isCloseTo(to, within(1.5));
        List<TempoRange.Step> path = r.path(NoteSum.parse("dotted eighth"));
        assertThat(path).hasSizeGreaterThan(3);
        assertThat(path.getFirst().timeMs()).isGreaterThan(path.getLast().timeMs());
        assertThat(r.words()).contains("wanders");
    }

    @Test
    void aClickNeedsNoFoot() {
        double[] at = new double[60];
        for (int i = 0; i < at.length; i++) at[i] = 0.1 + 0.5 * i;
        TempoRange r = TempoRange.of(TempoCourse.of(PluckedPhrase.at(at, 31), 120));
        assertThat(r.steady()).isTrue();
        assertThat(r.path(NoteSum.parse("eighth"))).hasSize(1);
    }

    @Test
    void theLaterTheRepeatTheLessTheTempoMayBeOff() {
        NoteSum eighth = NoteSum.parse("dotted eighth");
        double first = TempoRange.flamBpm(eighth, 100, 1);
        assertThat(first).isCloseTo(100 * 30 / 450.0, within(1e-9));
        assertThat(TempoRange.flamBpm(eighth, 100, 3)).isCloseTo(first / 3, within(1e-9));
    }
}
