package verisonus.core.simulate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;

/** A sound card asks for pieces of any length: what comes out must not tell which. */
class AnyPieceTest {
    private static final Sound RIFF = CaptureSignal.make().slice(1.4, 1.8);
    private static final int[] UNEVEN = {1, 7, 333, 64, 1000, 2, 512, 1024, 95};

    static Stream<Model> models() {
        return Gear.MODELS.stream()
                .filter(m -> m.voice() != Voice.Utility.DOUBLER && m.voice() != Voice.Cabinet.IMPULSE_RESPONSE);
    }

    private static float[][] played(Model m, int[] pieces) {
        Block b = m.find(ControlNames.MIX).isPresent() ? Block.of(m).with(ControlNames.MIX, 50) : Block.of(m);
        Chain chain = new Chain(new Tone("t", List.of(b)), Quality.SEARCH);
        float[] in = RIFF.channel(0);
        float[][] out = new float[2][in.length];
        float[][] block = new float[2][Chain.BLOCK];
        int turn = 0;
        for (int at = 0; at < in.length;) {
            int n = Math.min(pieces[turn++ % pieces.length], in.length - at);
            System.arraycopy(in, at, block[0], 0, n);
            chain.process(block, n);
            for (int c = 0; c < 2; c++) System.arraycopy(block[c], 0, out[c], at, n);
            at += n;
        }
        return out;
    }

    @ParameterizedTest
    @MethodSource("models")
    void soundsAlikeWhateverTheLengthOfThePieces(Model m) {
        float[][] even = played(m, new int[]{Chain.BLOCK});
        float[][] uneven = played(m, UNEVEN);
        float largest = 0;
        float off = 0;
        for (int c = 0; c < 2; c++) {
            for (int i = 0; i < even[c].length; i++) {
                largest = Math.max(largest, Math.abs(even[c][i]));
                off = Math.max(off, Math.abs(even[c][i] - uneven[c][i]));
            }
        }
        assertThat(largest).isPositive();
        assertThat(off / largest).isCloseTo(0, within(1e-5f));
    }
}
