package verisonus.core.feel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.compare.GapAttribute;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Tone;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.take.StandInTake;
import verisonus.core.work.Progress;

/** What one control does on one tone. */
class ControlStudyTest {
    private static final Sound TAKE = StandInTake.play();
    private static final Tone TONE = new Tone("t", List.of(Block.of("chiming edge").with("treble", 5),
            Block.of("2×12 open"), Block.of("dynamic microphone")));

    private static Block block(String id) {
        return TONE.find(id).orElseThrow();
    }

    private static ControlStudy of(String id, String control) {
        Control c = block(id).model().control(control);
        return ControlStudy.of(TONE, block(id), c, TAKE, Progress.NONE);
    }

    @Test
    void aTrebleControlChangesTheHighsOneWayFromEndToEnd() {
        ControlStudy s = of("amp", "treble");
        ControlStudy.Line highs = s.lines().stream().filter(l -> l.attribute() == GapAttribute.BITE).findFirst()
                .orElseThrow();
        assertThat(highs.change().get(0)).isNegative();
        assertThat(highs.change().get(4)).isPositive();
        assertThat(s.values()).hasSize(5);
        assertThat(highs.change().get(2)).as("where it stands already").isCloseTo(0, within(0.05));
    }

    @Test
    void aLevelBehindEverythingChangesNothingButTheLoudness() {
        ControlStudy s = of("microphone", "level");
        assertThat(s.lines()).isEmpty();
        assertThat(s.words()).contains("nothing");
        assertThat(s.loudnessLu().get(4) - s.loudnessLu().get(0)).isGreaterThan(6);
    }

    @Test
    void theSlowTurnKeepsItsLoudnessAndKnowsWhereItIs() {
        Control gain = block("amp").model().control("gain");
        ControlSweep s = ControlSweep.of(TONE, block("amp"), gain, TAKE, Progress.NONE);
        assertThat(s.valueAt(0)).isEqualTo(gain.minimum());
        assertThat(s.valueAt(s.sound().durationS())).isEqualTo(gain.maximum());
        assertThat(s.valueAt(s.sound().durationS() / 2)).isCloseTo(gain.valueAt(0.5), within(1e-6));
        double whole = LoudnessMeter.integratedLufs(s.sound()).orElseThrow();
        double asItIs = LoudnessMeter.integratedLufs(verisonus.core.simulate.Renderer.render(TONE, TAKE,
                verisonus.core.simulate.stages.Quality.DRAFT, Progress.NONE)).orElseThrow();
        assertThat(whole).isCloseTo(asItIs, within(1.5));
    }
}
