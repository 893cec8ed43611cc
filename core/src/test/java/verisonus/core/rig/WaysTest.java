package verisonus.core.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class WaysTest {
    private static final Tone LINE = new Tone("t", List.of(Block.of("transparent overdrive"), Block.of("open clean"),
            Block.of("2×12 open"), Block.of("ribbon microphone"), Block.of("room").with("mix", 20)));

    @Test
    void aSecondAmpStandsBetweenWhatStandsRoundTheFirst() {
        Tone two = Ways.beside(LINE, "amp", Block.of("chiming edge"));
        Branch b = two.routing().branches().get(0);
        assertThat(b.after()).isEqualTo("drive");
        assertThat(b.before()).isEqualTo("cabinet");
        assertThat(b.blocks()).containsExactly("amp 2");
        assertThat(two.main()).extracting(Block::id).containsExactly("drive", "amp", "cabinet", "microphone", "reverb");
        assertThat(Ways.of(two, "amp 2")).isEqualTo("amp 2");
        assertThat(Ways.all(two)).containsExactly(Ways.MAIN, Ways.LOOP, "amp 2");
    }

    @Test
    void theSameMicrophoneTwiceIsTheSameSoundTwiceAsLoud() {
        Sound di = burst();
        Tone two = Ways.beside(LINE, "microphone", Block.of("ribbon microphone"));
        Tone turned = Ways.changed(two, "microphone 2", b -> b.mixed(0, 0, true));
        double one = played(LINE, di).rms();
        assertThat(20 * Math.log10(played(two, di).rms() / one)).isCloseTo(6.02, within(0.05));
        assertThat(20 * Math.log10(played(turned, di).rms() / one)).isLessThan(-60);
    }

    @Test
    void aLineOutWithItsOwnBoxRunsToTheEndBesideTheMicrophone() {
        Tone line = Ways.beside(LINE, "cabinet", Block.of("1×12 open"));
        Tone out = Ways.changed(line, "cabinet 2", b -> b.between("amp", Branch.OUTPUT).mixed(-6, -50, false));
        assertThat(played(out, burst()).rms()).isPositive();
        Tone fuller = Ways.appended(out, "cabinet 2", Block.of("condenser microphone"));
        assertThat(fuller.routing().branches().get(0).blocks()).containsExactly("cabinet 2", "microphone 2");
        assertThat(fuller.routing().branches().get(0).levelDb()).isEqualTo(-6);
    }

    @Test
    void aBlockGoesFromWayToWayAndBackAgain() {
        Tone two = Ways.beside(LINE, "amp", Block.of("chiming edge"));
        Tone aside = Ways.put(two, "reverb", "amp 2");
        assertThat(aside.routing().branches().get(0).blocks()).containsExactly("amp 2", "reverb");
        assertThat(Ways.put(aside, "reverb", Ways.LOOP).routing().loop()).containsExactly("reverb");
        assertThat(Ways.put(aside, "reverb", Ways.MAIN)).isEqualTo(two);
        assertThat(Ways.put(two, "reverb", Ways.MAIN)).isEqualTo(two);
    }

    @Test
    void aBranchThatLosesItsPlaceHoldsOnToTheNext() {
        Tone two = Ways.beside(LINE, "amp", Block.of("chiming edge"));
        Tone moved = Ways.put(two, "drive", "amp 2");
        assertThat(moved.routing().branches().get(0).after()).isEqualTo(Branch.INPUT);
        assertThat(moved.routing().branches().get(0).blocks()).containsExactly("amp 2", "drive");
    }

    @Test
    void blocksMoveAlongTheirOwnWay() {
        Tone two = Ways.put(Ways.beside(LINE, "amp", Block.of("chiming edge")), "drive", "amp 2");
        assertThat(Ways.shifted(two, "drive", -1).routing().branches().get(0).blocks())
                .containsExactly("drive", "amp 2");
        assertThat(Ways.shifted(two, "amp 2", -1)).isEqualTo(two);
        assertThat(Ways.shifted(LINE, "drive", 1).main()).extracting(Block::id)
                .startsWith("amp", "drive", "cabinet");
        assertThat(Ways.shifted(LINE, "drive", -1)).isEqualTo(LINE);
        // The main way's next block stands behind the branch's in the list.
        Tone three = Ways.beside(LINE, "amp", Block.of("chiming edge"));
        assertThat(Ways.shifted(three, "reverb", -1).main()).extracting(Block::id).endsWith("reverb", "microphone");
    }

    @Test
    void aBlockIsPutBeforeAnotherOnThatOnesWay() {
        Tone two = Ways.appended(Ways.beside(LINE, "amp", Block.of("chiming edge")), "amp 2", Block.of("1×8 open"));
        Tone driven = Ways.before(two, "drive", "cabinet 2");
        assertThat(driven.routing().branches().get(0).blocks()).containsExactly("amp 2", "drive", "cabinet 2");
        assertThat(Ways.before(driven, "drive", "cabinet 2")).isEqualTo(driven);
        assertThat(Ways.before(driven, "drive", "amp").main()).extracting(Block::id).startsWith("drive", "amp");
        Tone looped = Ways.put(Ways.put(LINE.inserted(Block.of("clean echo"), 5), "reverb", Ways.LOOP), "echo",
                Ways.LOOP);
        assertThat(Ways.before(looped, "echo", "reverb").routing().loop()).containsExactly("echo", "reverb");
        assertThat(Ways.before(LINE, "reverb", "amp").main()).extracting(Block::id)
                .containsExactly("drive", "reverb", "amp", "cabinet", "microphone");
        assertThat(Ways.before(LINE, "drive", "cabinet").main()).extracting(Block::id).startsWith("amp", "drive");
        assertThat(Ways.before(LINE, "amp", "amp")).isEqualTo(LINE);
    }

    @Test
    void withoutItsBranchAToneIsWhatItWas() {
        Tone two = Ways.appended(Ways.beside(LINE, "amp", Block.of("chiming edge")), "amp 2", Block.of("1×8 open"));
        assertThat(Ways.without(two, "amp 2")).isEqualTo(LINE);
    }

    @Test
    void whatCannotBeIsRefused() {
        Tone two = Ways.beside(LINE, "amp", Block.of("chiming edge"));
        assertThatThrownBy(() -> Ways.beside(two, "amp 2", Block.of("chiming edge")))
                .isInstanceOf(IllegalArgumentException.class).hasMessageContaining("main way");
        assertThatThrownBy(() -> Ways.put(two, "reverb", "nowhere")).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Ways.changed(two, "amp 2", b -> b.between("reverb", "drive")))
                .isInstanceOf(IllegalArgumentException.class).hasMessageContaining("come back");
    }

    private static Sound burst() {
        float[] x = new float[24000];
        for (int i = 0; i < x.length; i++) x[i] = (float) (0.2 * Math.sin(2 * Math.PI * 330 * i / 48000.0));
        return Sound.mono(x, 48000);
    }

    private static Sound played(Tone tone, Sound di) {
        return Renderer.render(tone, di, Quality.FINAL, Progress.NONE);
    }
}
