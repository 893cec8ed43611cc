package verisonus.core.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class MixLawTest {
    private static Block echo(MixLaw law) {
        return Rig.everything().mixing(Gear.model("clean echo"), law).device(Gear.model("clean echo"));
    }

    @ParameterizedTest
    @EnumSource(MixLaw.class)
    void isDryAtNothingAndWetAtFull(MixLaw law) {
        assertThat(law.dry(0)).isEqualTo(1);
        assertThat(law.wet(0)).isZero();
        assertThat(law.dry(100)).isCloseTo(0, within(1e-12));
        assertThat(law.wet(100)).isEqualTo(1);
    }

    @ParameterizedTest
    @EnumSource(MixLaw.class)
    void findsTheMixForALevelAndTheLevelOfAMix(MixLaw law) {
        for (double db = -40; db <= 0; db += 4) {
            assertThat(law.wetDb(law.percentFor(db))).isCloseTo(db, within(1e-6));
        }
    }

    @ParameterizedTest
    @EnumSource(MixLaw.class)
    void getsWetterAllTheWay(MixLaw law) {
        for (int p = 1; p <= 95; p++) assertThat(law.wetDb(p)).isGreaterThan(law.wetDb(p - 1) - 1e-9);
    }

    @ParameterizedTest
    @CsvSource({"HELD, 1, 1", "EQUAL_GAIN, 0.5, 0.5", "EQUAL_POWER, 0.7071, 0.7071"})
    void halfWayIsWhatTheLawSays(MixLaw law, double dry, double wet) {
        assertThat(law.dry(50)).isCloseTo(dry, within(1e-4));
        assertThat(law.wet(50)).isCloseTo(wet, within(1e-4));
    }

    @ParameterizedTest
    @EnumSource(MixLaw.class)
    void aDeviceOfAnyLawPutsTheRepeatWhereItWasMeasured(MixLaw law) {
        Block b = echo(law).with("time", 100).with("feedback", 0).with("mix", law.percentFor(-9));
        float[] click = new float[24000];
        click[0] = 0.5f;
        float[] out = Renderer.render(new Tone("t", java.util.List.of(b)), Sound.mono(click, 48000), Quality.FINAL,
                Progress.NONE).channel(0);
        assertThat(20 * Math.log10(out[4800] / out[0])).isCloseTo(-9, within(0.01));
    }

    @ParameterizedTest
    @EnumSource(MixLaw.class)
    void aToneBroughtToAnotherDeviceKeepsItsWetLevel(MixLaw law) {
        Block held = echo(MixLaw.HELD).with("mix", 20);
        Block own = Rig.everything().mixing(Gear.model("clean echo"), law).as(held);
        assertThat(MixLaw.of(own)).isEqualTo(law);
        assertThat(law.wetDb(own.get("mix"))).isCloseTo(MixLaw.HELD.wetDb(20), within(1e-6));
    }
}
