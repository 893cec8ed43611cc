package verisonus.desktop.derive.chain;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;

class ChainPartTest {
    private static List<ChainPart> parts(String... models) {
        Tone tone = new Tone("t", List.of());
        for (String m : models) tone = tone.inserted(Block.of(m), tone.blocks().size());
        Tone whole = tone;
        return whole.blocks().stream().map(b -> ChainPart.of(whole, b)).toList();
    }

    @Test
    void aBlockIsTakenForWhatItsPlaceMakesOfIt() {
        assertThat(parts("clean echo", "mid-hump overdrive", "parametric equalizer", "chiming edge", "2×12 open",
                "dynamic microphone", "spring")).containsExactly(ChainPart.BEFORE, ChainPart.CLIPS, ChainPart.BEFORE,
                        ChainPart.CLIPS, ChainPart.COLOUR, ChainPart.COLOUR, ChainPart.AROUND);
    }

    @Test
    void withoutAnyClippingThereIsOnlyColourAndWhatIsAround() {
        assertThat(parts("parametric equalizer", "clean echo")).containsExactly(ChainPart.COLOUR, ChainPart.AROUND);
    }
}
