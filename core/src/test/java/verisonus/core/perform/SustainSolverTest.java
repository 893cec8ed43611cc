package verisonus.core.perform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class SustainSolverTest {
    private static final Tone TONE = new Tone("lead", List.of(Block.of("open clean").with("gain", 2), Block.of(
            "2×12 open"), Block.of("dynamic microphone")));
    /** Notes that fall by 26 dB a second. */
    private static final Sound PHRASE = Sound.mono(Signal.array(6 * 48000, i -> {
        double t = i % 48000 / 48000.0;
        double hz = 220 + 40 * (i / 48000);
        return 0.25 * Math.exp(-3 * t) * Math.min(1, t / 0.003) * (Math.sin(2 * Math.PI * hz * t) + 0.4 * Math.sin(4
                * Math.PI * hz * t));
    }), 48000);

    @Test
    void aFallIsReadAsItWasMade() {
        assertThat(SustainSolver.fallDbPerS("notes", PHRASE)).isCloseTo(-26, within(3.0));
    }

    @Test
    void notesFallAsSlowlyAsWishedAtTheSameLoudness() {
        SustainSolver solver = new SustainSolver(TONE, PHRASE);
        SustainSolver.Solved s = solver.towards(-15, Progress.NONE);
        assertThat(s.isReached()).isTrue();
        assertThat(s.afterDbPerS()).isCloseTo(-15, within(1.5));
        assertThat(s.beforeDbPerS()).isLessThan(-20);
        assertThat(s.tone().first(GearKind.COMPRESSOR)).isPresent();
        assertThat(s.tone().blocks().getFirst().model().kind()).isEqualTo(GearKind.COMPRESSOR);
        PlayedReading before = PlayedReading.of(TONE, PHRASE);
        PlayedReading after = PlayedReading.of(s.tone(), PHRASE);
        assertThat(after.loudnessLufs()).isCloseTo(before.loudnessLufs(), within(0.5));
    }

    @Test
    void whatFallsFasterOrHoldsNoNoteIsRefused() {
        SustainSolver solver = new SustainSolver(TONE, PHRASE);
        assertThatThrownBy(() -> solver.towards(-60, Progress.NONE)).isInstanceOf(InputFault.class)
                .hasMessageContaining(
                        "already");
        assertThat(LoudnessMeter.integratedLufs(Signal.silence().lasting(3))).isEmpty();
        assertThatThrownBy(() -> SustainSolver.fallDbPerS("rests", Signal.silence().lasting(3))).isInstanceOf(
                InputFault.class).hasMessageContaining("rests");
    }
}
