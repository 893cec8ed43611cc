package verisonus.core.plan;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;

class RigCheckTest {
    private static final Tone TONE = new Tone("t", List.of(Block.of("chiming edge"), Block.of("4×12 closed"),
            Block.of("dynamic microphone"), Block.of("clean echo"), Block.of("dual echo").named("echo 2")));
    private static final Rig RIG = new Rig(List.of(),
            Map.of("chiming edge", 1, "4×12 closed", 1, "dynamic microphone", 1, "clean echo", 1, "dual echo", 1),
            Map.of(), 9);

    @Test
    void aToneThatIsOwnedCanBeSetUp() {
        assertThat(RigCheck.of(TONE, RIG).faults()).isEmpty();
    }

    @Test
    void whatIsNotOwnedTooManyOrTooMuchIsNamed() {
        Rig small = RIG.counting(Gear.model("dual echo"), 0).limited(4, Set.of(GearKind.ECHO));
        assertThat(RigCheck.of(TONE, small).faults()).anySatisfy(f -> assertThat(f).contains("no dual echo"))
                .anySatisfy(f -> assertThat(f).contains("only one echo"))
                .anySatisfy(f -> assertThat(f).contains("5 blocks, at most 4"));
        assertThat(RigCheck.of(TONE.with(TONE.blocks().get(4).switched(false)), small).faults()).isEmpty();
    }

    @Test
    void priceWeightAndMinutesAddUpAndAHeavyPieceIsWarnedOf() {
        Rig known = RIG.knowing(Gear.model("4×12 closed"), new Rig.Practical(400, 38, 5))
                .knowing(Gear.model("chiming edge"), new Rig.Practical(900, 16, 3));
        RigCheck c = RigCheck.of(TONE, known);
        assertThat(c.price()).isEqualTo(1300);
        assertThat(c.weightKg()).isEqualTo(54);
        assertThat(c.setupMinutes()).isEqualTo(8);
        assertThat(c.faults()).singleElement().satisfies(f -> assertThat(f).contains("lift it with two"));
        assertThatThrownBy(() -> new Rig.Practical(-1, 0, 0)).isInstanceOf(IllegalArgumentException.class);
    }

    @ParameterizedTest
    @CsvSource({"±, 7.5, +2.5", "±, 3, −2.0", "0-100, 7.5, 75", "clock, 5, 12:00"})
    void aDeviceShowsItsOwnScale(String scale, double value, String shown) {
        Rig rig = RIG.scaling(Gear.model("chiming edge"), DeviceScale.of(scale).orElseThrow());
        assertThat(rig.display(Gear.model("chiming edge"), Gear.model("chiming edge").control("gain"), value))
                .isEqualTo(shown);
    }
}
