package verisonus.core.simulate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.Branch;
import verisonus.core.rig.Routing;
import verisonus.core.rig.Tone;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Sound;

/** What only filters goes into one impulse response, and sounds the same there. */
class LinearResponseTest {
    private static final Tone WHOLE = new Tone("t", List.of(Block.of("mid-forward crunch"), Block.of("4×12 closed"),
            Block.of("dynamic microphone"), Block.of("parametric equalizer").with("low cut", 100)));

    @Test
    void noiseThroughItIsNoiseThroughTheBlocks() {
        LinearResponse r = LinearResponse.of(WHOLE).orElseThrow();
        assertThat(r.nullDb()).isLessThan(-60);
        assertThat(r.blocks()).containsExactly("4×12 closed", "dynamic microphone", "parametric equalizer");
    }

    @Test
    void anAmpAloneHasNone() {
        assertThat(LinearResponse.of(new Tone("t", List.of(Block.of("mid-forward crunch"))))).isEmpty();
    }

    @Test
    void anEqualizerInFrontOfTheClipperStaysThere() {
        Tone front = WHOLE.moved("equalizer", 0);
        assertThat(LinearResponse.of(front).orElseThrow().blocks())
                .containsExactly("4×12 closed", "dynamic microphone");
    }

    @Test
    void twoWaysBesideEachOtherHaveNone() {
        Tone two = WHOLE.inserted(Block.of("2×12 open").named("second cabinet"), 4).routed(new Routing(List.of(),
                List.of(new Branch("room", "amp", Branch.OUTPUT, List.of("second cabinet"), 0, 0, false))));
        assertThat(LinearResponse.of(two)).isEmpty();
    }

    @Test
    void whatIsOffIsNotInIt() {
        Tone off = WHOLE.with(WHOLE.blocks().get(3).switched(false));
        assertThat(LinearResponse.of(off).orElseThrow().blocks()).hasSize(2);
    }

    @ParameterizedTest
    @ValueSource(ints = {44100, 96000})
    void atAnotherRateItsGainStays(int rateHz) {
        LinearResponse r = LinearResponse.of(WHOLE).orElseThrow();
        assertThat(gainDb(r.at(rateHz), 700)).isCloseTo(gainDb(r.at(48000), 700), within(0.1));
        assertThat(gainDb(r.at(rateHz), 3000)).isCloseTo(gainDb(r.at(48000), 3000), within(0.1));
    }

    private static double gainDb(Sound response, double hz) {
        int size = RealFft.sizeFor(1 << 17);
        float[] x = java.util.Arrays.copyOf(response.mid(), size);
        new RealFft(size).forward(x);
        int bin = (int) Math.round(hz * size / response.rateHz());
        return 20 * Math.log10(Math.hypot(x[2 * bin], x[2 * bin + 1]));
    }
}
