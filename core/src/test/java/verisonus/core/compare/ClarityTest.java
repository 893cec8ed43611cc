package verisonus.core.compare;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class ClarityTest {
    private static Sound swaying(double depth, double hz) {
        return Signal.of(t -> Math.sqrt(1 + depth * Math.sin(2 * Math.PI * hz * t)) * 0.2
                * Math.sin(2 * Math.PI * 440 * t)).lasting(4);
    }

    private static Sound notes() {
        return Signal.of(t -> 0.4 * Math.exp(-9 * (t % 0.4)) * Math.sin(2 * Math.PI * 330 * t)).lasting(4);
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.2, 0.5, 0.9})
    void isTheDepthOfAnEnergyThatSways(double depth) {
        assertThat(Clarity.depth(swaying(depth, 4))).isCloseTo(depth, within(0.03));
    }

    @Test
    void whatSwaysTooSlowlyOrTooFastIsNoPhrase() {
        assertThat(Clarity.depth(swaying(0.8, 0.25))).isLessThan(0.1);
        assertThat(Clarity.depth(swaying(0.8, 20))).isLessThan(0.1);
    }

    @Test
    void aHeldToneHasNone() {
        assertThat(Clarity.depth(Signal.sine(440).lasting(3))).isLessThan(0.02);
    }

    @Test
    void levelDoesNotMatter() {
        assertThat(Clarity.depth(notes().gained(-20))).isCloseTo(Clarity.depth(notes()), within(1e-4));
    }

    @Test
    void theLongerAndLouderTheSpaceTheLessIsLeft() {
        double last = Clarity.depth(notes());
        for (double mix : new double[]{10, 25, 45}) {
            Block hall = Block.of("plain hall").with(ControlNames.DECAY, 2.5).with(ControlNames.MIX, mix);
            double now = Clarity.depth(Renderer.render(new Tone("t", List.of(hall)), notes(), Quality.SEARCH,
                    Progress.NONE));
            assertThat(now).isLessThan(last);
            last = now;
        }
    }
}
