package verisonus.core.perform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class FewTurnsTest {
    private static final Sound TAKE = Signal.plucks(0.3, 9).atDb(-10).lasting(3);
    private static final Tone TONE = new Tone("t", List.of(Block.of("chiming edge").with("gain", 4),
            Block.of("2×12 open"), Block.of("dynamic microphone").with("position", 40)));

    private static Sound through(Tone t) {
        return Renderer.render(t, TAKE, Quality.FINAL, Progress.NONE);
    }

    @Test
    void aMicrophoneThatWasMovedIsFound() {
        Tone moved = TONE.with(TONE.find("microphone").orElseThrow().with("position", 85));
        FewTurns found = FewTurns.towards(TONE, TAKE, through(moved), Progress.NONE);
        assertThat(found.sameTake()).isTrue();
        assertThat(found.afterJnd()).isLessThan(0.5 * found.beforeJnd());
        assertThat(found.turns().getFirst().place()).isEqualTo(ControlPlace.parse("microphone/position"));
        assertThat(found.turns().getFirst().to()).isGreaterThan(60);
        assertThat(found.on(TONE).find("microphone").orElseThrow().get("position"))
                .isEqualTo(found.turns().getFirst().to());
    }

    @Test
    void whatSoundsAlreadySoAsksForNoTurnHoweverLoudItWasRecorded() {
        FewTurns found = FewTurns.towards(TONE, TAKE, through(TONE).gained(-9), Progress.NONE);
        assertThat(found.turns()).isEmpty();
        assertThat(found.on(TONE)).isEqualTo(TONE);
    }

    @Test
    void anotherPhraseIsRefusedWithWhatToDo() {
        Sound other = Signal.plucks(0.21, 77).lasting(3);
        assertThatThrownBy(() -> FewTurns.towards(TONE, TAKE, other, Progress.NONE)).isInstanceOf(InputFault.class)
                .hasMessageContaining("another phrase").hasMessageContaining("play its phrase again");
    }

    @Test
    void ofSeveralTonesTheOneThatWasRecordedLiesNearest() {
        Tone moved = TONE.with(TONE.find("microphone").orElseThrow().with("position", 85));
        FewTurns.Apart apart = FewTurns.apart(List.of(TONE, moved), TAKE, through(moved), Progress.NONE);
        assertThat(apart.sameTake()).isTrue();
        assertThat(apart.unit()).isEqualTo("JND");
        assertThat(apart.far()).hasSize(2);
        assertThat(apart.far().get(1)).isLessThan(0.2);
        assertThat(apart.far().get(0)).isGreaterThan(apart.far().get(1) + 0.5);
    }

    @Test
    void aTakeThatWasLaidByHandIsBelieved() {
        Sound other = through(TONE);
        Sound take = Signal.plucks(0.21, 77).atDb(-10).lasting(3);
        assertThatThrownBy(() -> FewTurns.apart(List.of(TONE), take, other, Progress.NONE))
                .isInstanceOf(InputFault.class);
        FewTurns.Apart laid = FewTurns.apart(List.of(TONE), take, other, OptionalDouble.of(0.1), Progress.NONE);
        assertThat(laid.sameTake()).isFalse();
        assertThat(laid.unit()).contains("colour");
    }

    @Test
    void aRecordInWhichOthersPlayIsRefused() {
        Sound mine = Signal.plucks(0.43, 21, 5).atDb(-8).lasting(9);
        Sound theirs = Renderer.render(TONE, Signal.plucks(0.43, 21, 1).atDb(-8).lasting(9), Quality.SEARCH,
                Progress.NONE).withoutEmptySide();
        Sound band = Signal.of(t -> Math.sin(2 * Math.PI * 49 * t)
                + (t % 0.5 < 0.2 ? Math.exp(-20 * (t % 0.5)) * Math.sin(2 * Math.PI * 55 * (t % 0.5)) : 0)
                + (t % 0.25 < 0.05 ? 0.5 * Math.sin(40_000 * t * t) : 0)).lasting(9);
        Sound song = Signal.sum(theirs, band.gained(20 * Math.log10(theirs.rms() / band.rms())));
        assertThatThrownBy(() -> FewTurns.apart(List.of(TONE), mine, song, OptionalDouble.of(0), Progress.NONE))
                .isInstanceOf(InputFault.class).hasMessageContaining("others play in it");
        assertThat(FewTurns.apart(List.of(TONE), mine, theirs, OptionalDouble.of(0), Progress.NONE).sameTake())
                .isFalse();
    }
}
