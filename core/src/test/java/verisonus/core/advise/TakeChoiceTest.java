package verisonus.core.advise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.work.Progress;

class TakeChoiceTest {
    private static final Sound PLAYED = Signal.plucks(0.27, 21).atDb(-8).lasting(6);
    private static final Sound REFERENCE = Renderer.render(new Tone("t", List.of(Block.of("mid-forward crunch"),
            Block.of("2×12 closed"), Block.of("dynamic microphone"))), PLAYED, Quality.SEARCH, Progress.NONE);
    private static final Sound AGAIN = Signal.plucks(0.27, 21, 5).atDb(-8).lasting(6);
    private static final Sound OTHER = Signal.plucks(0.41, 77).atDb(-8).lasting(6);

    private static Sound changed(Sound s, java.util.function.IntToDoubleFunction value) {
        return Sound.mono(Signal.array(s.frames(), value), s.rateHz());
    }

    @Test
    void theSamePhraseComesBeforeAnother() {
        List<TakeChoice.Judged> order = TakeChoice.of(REFERENCE, List.of(OTHER, AGAIN));
        assertThat(order).extracting(TakeChoice.Judged::index).containsExactly(1, 0);
        assertThat(order.get(0).samePhrase()).isTrue();
        assertThat(order.get(1).samePhrase()).isFalse();
        assertThat(order.get(1).words()).contains("something else");
    }

    @Test
    void aClippedTakeComesAfterACleanOne() {
        float[] x = AGAIN.mid();
        Sound clipped = changed(AGAIN, i -> Math.clamp(12 * x[i], -1, 1));
        List<TakeChoice.Judged> order = TakeChoice.of(REFERENCE, List.of(clipped, AGAIN));
        assertThat(order.get(0).index()).isEqualTo(1);
        assertThat(order.get(1).words()).contains("clipped");
    }

    @Test
    void aHissingTakeComesAfterAQuietOne() {
        float[] x = AGAIN.mid();
        SplittableRandom r = new SplittableRandom(4);
        Sound hissing = changed(AGAIN, i -> x[i] + 0.02 * (2 * r.nextDouble() - 1));
        assertThat(TakeChoice.of(REFERENCE, List.of(hissing, AGAIN)).get(0).index()).isEqualTo(1);
    }

    @Test
    void howLateItPlaysIsSaid() {
        float[] x = AGAIN.mid();
        Sound late = changed(AGAIN, i -> i < 3840 ? 0 : x[i - 3840]);
        TakeChoice.Judged judged = TakeChoice.of(REFERENCE, List.of(late)).get(0);
        assertThat(judged.lagMs()).isCloseTo(80, within(8.0));
        assertThat(judged.words()).contains("late");
    }

    @Test
    void theLoudestPartIsWhereTheLoudNotesAre() {
        float[] x = PLAYED.mid();
        Sound swelling = changed(PLAYED, i -> x[i] * (i > 3 * 48000 && i < 5 * 48000 ? 1 : 0.1));
        LoudestPart part = LoudestPart.of(swelling, 2);
        assertThat(part.fromS()).isEqualTo(3);
        assertThat(part.cut(swelling).durationS()).isCloseTo(2, within(1e-6));
        assertThat(LoudestPart.of(swelling, 60)).isEqualTo(new LoudestPart(0, 6));
    }
}
