package verisonus.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;

class BestSoFarTest {
    @Test
    void whoWaitsReadsTheGearAndTheGainInChainOrder() {
        Tone t = new Tone("t",
                List.of(Block.of("mid-hump overdrive"), Block.of("chiming edge").with(ControlNames.GAIN, 4.2),
                        Block.of("2×12 open"), Block.of("ribbon microphone"), Block.of("plate").switched(false)));
        assertThat(DeriveCommand.soFar(t, Rig.everything()))
                .isEqualTo("mid-hump overdrive · chiming edge, gain 4.2 · 2×12 open · ribbon microphone");
    }
}
