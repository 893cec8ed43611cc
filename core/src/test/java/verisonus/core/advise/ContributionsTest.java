package verisonus.core.advise;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class ContributionsTest {
    private static final Sound DI = Signal.plucks(0.35, 4).atDb(-10).lasting(4);

    @Test
    void whatIsHeardStandsOutAndWhatIsNotIsNamed() {
        Tone t = new Tone("t", List.of(Block.of("tight saturated").with("gain", 7), Block.of("4×12 closed"),
                Block.of("parametric equalizer").with("peak 1", 0.2), Block.of("plain hall").with("mix", 0)));
        Contributions c = Contributions.of(t, DI, Optional.empty(), Progress.NONE);
        assertThat(c.jnd("amp").orElseThrow()).isGreaterThan(2);
        assertThat(c.jnd("cabinet").orElseThrow()).isGreaterThan(2);
        assertThat(c.unheard()).containsExactly("equalizer", "reverb");
        assertThat(c.unheardTogetherJnd().orElseThrow()).isLessThan(1);
        assertThat(c.jnd("no such block")).isEmpty();
    }
}
