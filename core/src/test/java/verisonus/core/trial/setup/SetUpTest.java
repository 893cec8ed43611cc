package verisonus.core.trial.setup;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class SetUpTest {
    private static final Tone TONE = new Tone("rhythm", List.of(Block.of("mid-forward crunch").with("gain", 4),
            Block.of("2×12 open"), Block.of("dynamic microphone"), Block.of("plate").switched(false)));
    private static final Sound TAKE = Signal.plucks(0.3, 4).lasting(2.5);

    @Test
    void theWalkTouchesEveryControlOnceInTheDevicesScale() {
        Rig rig = Rig.everything().scaling(Gear.model("mid-forward crunch"), DeviceScale.CLOCK);
        List<SetUpWalk.Step> walk = SetUpWalk.of(TONE, rig);
        assertThat(walk).extracting(SetUpWalk.Step::place).doesNotHaveDuplicates();
        int gain = index(walk, "amp/gain");
        assertThat(walk.get(gain).words()).contains(rig.display(Gear.model("mid-forward crunch"),
                Gear.model("mid-forward crunch").control("gain"), 4));
        assertThat(index(walk, "amp/on")).isLessThan(gain);
        assertThat(gain).isLessThan(index(walk, "amp/bass"));
        assertThat(index(walk, "amp/bass")).isLessThan(index(walk, "amp/treble"));
        assertThat(walk).filteredOn(s -> s.place().block().equals("reverb")).singleElement()
                .satisfies(s -> assertThat(s.words()).contains("off"));
    }

    private static int index(List<SetUpWalk.Step> walk, String place) {
        for (int i = 0; i < walk.size(); i++) if (walk.get(i).place().equals(ControlPlace.parse(place))) return i;
        throw new AssertionError(place);
    }

    private static Sound rig(Tone t) {
        return Renderer.render(t, TAKE, Quality.FINAL, Progress.NONE).gained(-8);
    }

    @Test
    void aControlThatStandsElsewhereIsNamedAndHowFar() {
        Tone real = TONE.with(TONE.find("amp").orElseThrow().with("treble", 8.2));
        Nudge n = Nudge.of(TONE, TAKE, rig(real), Progress.NONE);
        Nudge.Turn first = n.turns().getFirst();
        assertThat(first.place()).isEqualTo(ControlPlace.parse("amp/treble"));
        assertThat(first.seemsAt()).isCloseTo(8.2, within(0.5));
        assertThat(first.words(TONE, Rig.everything())).contains("turn it down to");
        assertThat(n.afterJnd()).isLessThan(n.beforeJnd() / 3);
        assertThat(n.sameTake()).isTrue();
    }

    @Test
    void aRigThatStandsRightIsLeftAlone() {
        Nudge n = Nudge.of(TONE, TAKE, rig(TONE), Progress.NONE);
        assertThat(n.turns()).isEmpty();
        assertThat(n.isEnough()).isTrue();
    }

    @Test
    void anotherPhraseIsRefused() {
        assertThatThrownBy(() -> Nudge.of(TONE, TAKE, Signal.noise(3).lasting(4), Progress.NONE))
                .isInstanceOf(InputFault.class).hasMessageContaining("another phrase");
    }
}
