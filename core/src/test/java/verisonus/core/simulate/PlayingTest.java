package verisonus.core.simulate;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class PlayingTest {
    private static final Tone TONE = new Tone("t", List.of(Block.of("mid-forward crunch"), Block.of("4×12 closed"),
            Block.of("dynamic microphone"), Block.of("wide chorus"), Block.of("tape-like echo").with("mix", 30)));
    private static final Sound TAKE = Signal.plucks(0.3, 5).lasting(2);

    @ParameterizedTest
    @ValueSource(ints = {100, 4096, 30000, 96000})
    void piecesOfAnyLengthGiveTheSamplesOfTheWhole(int length) {
        Sound whole = Renderer.render(TONE, TAKE, Quality.FINAL, Progress.NONE);
        Playing playing = new Playing(TONE, Quality.FINAL);
        float[][] out = new float[playing.channels()][whole.frames()];
        int n = 0;
        float[] in = TAKE.mid();
        for (int at = 0; at < in.length; at += length) {
            float[][] piece = playing.next(Arrays.copyOfRange(in, at, Math.min(in.length, at + length)));
            for (int c = 0; c < out.length; c++) System.arraycopy(piece[c], 0, out[c], n, piece[c].length);
            n += piece[0].length;
        }
        float[][] rest = playing.rest();
        for (int c = 0; c < out.length; c++) System.arraycopy(rest[c], 0, out[c], n, rest[c].length);
        assertThat(n + rest[0].length).isEqualTo(whole.frames());
        for (int c = 0; c < out.length; c++) assertThat(out[c]).isEqualTo(whole.channel(c));
    }
}
