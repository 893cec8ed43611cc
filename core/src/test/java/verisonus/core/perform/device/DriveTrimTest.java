package verisonus.core.perform.device;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class DriveTrimTest {
    private static final Tone TONE = new Tone("t", List.of(
            Block.of("mid-hump overdrive").with(ControlNames.DRIVE, 4),
            Block.of("chiming edge").with(ControlNames.GAIN, 4), Block.of("2×12 open"),
            Block.of("dynamic microphone")));
    private static final Sound PHRASE = Signal
            .of(t -> Math.exp(-2 * (t % 0.6)) * (0.5 * Math.sin(2 * Math.PI * 147 * t)
                    + 0.3 * Math.sin(2 * Math.PI * 294 * t) + 0.2 * Math.sin(2 * Math.PI * 588 * t)))
            .atDb(-9).lasting(3);
    private static List<DriveTrim> found = List.of();

    @BeforeAll
    static void find() {
        found = DriveTrim.of(TONE, List.of(Gear.model("chiming edge"), Gear.model("tight saturated"),
                Gear.model("open clean")), PHRASE, Progress.NONE);
    }

    @Test
    void theTonesOwnAmpNeedsNoTrim() {
        assertThat(found).extracting(d -> d.amp().name()).containsExactly("tight saturated", "open clean");
    }

    @Test
    void turningThePedalNeverLeavesTheToneFurtherAway() {
        assertThat(found).allSatisfy(d -> assertThat(d.afterJnd()).isLessThanOrEqualTo(d.beforeJnd()));
        assertThat(found).anySatisfy(d -> assertThat(d.afterJnd()).isLessThan(d.beforeJnd() - 0.5));
    }

    @Test
    void behindTheAmpEverythingStaysAsItWas() {
        for (DriveTrim d : found) {
            assertThat(d.tone().first(GearKind.AMP).orElseThrow().model()).isEqualTo(d.amp());
            assertThat(d.tone().first(GearKind.CABINET)).isEqualTo(TONE.first(GearKind.CABINET));
        }
    }

    @Test
    void whatMustBeTurnedIsSaidWithBothValues() {
        assertThat(found).allSatisfy(d -> assertThat(d.words()).startsWith(d.amp().name() + ": ").contains("JND"));
        assertThat(found).filteredOn(d -> !d.turned().isEmpty()).isNotEmpty()
                .allSatisfy(d -> assertThat(d.turned()).allSatisfy(t -> assertThat(t).contains(" to ")));
    }

    @Test
    void aToneWithoutAPedalOrAmpIsRefusedByName() {
        Tone bare = new Tone("bare", TONE.blocks().subList(1, 4));
        assertThatThrownBy(() -> DriveTrim.of(bare, Gear.of(GearKind.AMP), PHRASE, Progress.NONE))
                .isInstanceOf(InputFault.class).hasMessageContaining("bare").hasMessageContaining("no pedal");
        Tone off = TONE.with(TONE.blocks().get(1).switched(false));
        assertThatThrownBy(() -> DriveTrim.of(off, Gear.of(GearKind.AMP), PHRASE, Progress.NONE))
                .isInstanceOf(InputFault.class).hasMessageContaining("no amp");
    }
}
