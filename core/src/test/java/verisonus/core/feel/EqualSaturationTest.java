package verisonus.core.feel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Signal;

class EqualSaturationTest {
    private static final EqualSaturation DIRT = new EqualSaturation(Signal.plucks(0.27, 21).atDb(-8).lasting(4));

    private static Tone amp(String model, double gain) {
        return new Tone("t", List.of(Block.of(model).with("gain", gain)));
    }

    private static double dirt(Tone t) {
        return DIRT.of(t);
    }

    @ParameterizedTest
    @ValueSource(doubles = {2, 4.5, 7})
    void theGainThatMadeItIsFoundAgain(double gain) {
        Tone away = amp("mid-forward crunch", 10);
        double place = DIRT.place(dirt(amp("mid-forward crunch", gain)), away, away.blocks().get(0), "gain");
        assertThat(place).isCloseTo(gain, within(0.4));
    }

    @Test
    void anotherAmpIsBroughtToTheSameDirt() {
        double wanted = dirt(amp("mid-forward crunch", 5));
        Tone other = amp("chiming edge", 2);
        double place = DIRT.place(wanted, other, other.blocks().get(0), "gain");
        assertThat(dirt(amp("chiming edge", place))).isCloseTo(wanted, within(0.03));
    }

    @Test
    void whatIsAsDrivenAlreadyStays() {
        Tone t = amp("tight saturated", 3.3);
        assertThat(DIRT.place(dirt(t), t, t.blocks().get(0), "gain")).isEqualTo(3.3);
    }

    @Test
    void whatCannotBeReachedEndsAtTheEndOfTheTrack() {
        Tone clean = amp("open clean", 5);
        double most = dirt(amp("tight saturated", 10));
        assertThat(DIRT.place(most, clean, clean.blocks().get(0), "gain")).isGreaterThan(9.9);
        double none = -1;
        assertThat(DIRT.place(none, clean, clean.blocks().get(0), "gain")).isLessThan(0.1);
    }
}
