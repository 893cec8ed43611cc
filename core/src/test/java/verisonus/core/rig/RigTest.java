package verisonus.core.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class RigTest {
    static Stream<Control> controls() {
        return Gear.MODELS.stream().flatMap(m -> m.controls().stream());
    }

    @ParameterizedTest
    @MethodSource("controls")
    void everyControlHasItsDefaultInItsRangeAndSaysWhatItDoes(Control c) {
        assertThat(c.defaultValue()).isBetween(c.minimum(), c.maximum());
        assertThat(c.about()).isNotBlank();
        assertThat(c.display(c.defaultValue())).isNotBlank();
    }

    @ParameterizedTest
    @MethodSource("controls")
    void placeOnTheScaleAndValueAreInverse(Control c) {
        for (double p = 0; p <= 1; p += 0.1) {
            assertThat(c.position(c.valueAt(p))).isCloseTo(p, within(1e-9));
        }
    }

    @Test
    void modelNamesAreUnlike() {
        Set<String> names = new HashSet<>();
        for (Model m : Gear.MODELS) assertThat(names.add(m.name())).as(m.name()).isTrue();
    }

    @Test
    void aBlockKeepsToItsModelsRange() {
        Block amp = Block.of("chiming edge");
        assertThat(amp.get("gain")).isEqualTo(5);
        assertThat(amp.with("gain", 99).get("gain")).isEqualTo(10);
        assertThatThrownBy(() -> amp.with("warp", 1)).isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("warp");
        assertThatThrownBy(() -> new Block("amp", amp.model(), true, Map.of("gain", 11.0)))
                .hasMessageContaining("outside");
    }

    @Test
    void aToneReplacesABlockByItsId() {
        Tone t = new Tone("t", List.of(Block.of("chiming edge"), Block.of("2×12 open")));
        Tone changed = t.with(t.find("amp").orElseThrow().with("gain", 7));
        assertThat(changed.find("amp").orElseThrow().get("gain")).isEqualTo(7);
        assertThat(t.find("amp").orElseThrow().get("gain")).isEqualTo(5);
        assertThat(changed.blocks()).hasSize(2);
    }

    @Test
    void idsAreUnique() {
        assertThatThrownBy(() -> new Tone("t", List.of(Block.of("chiming edge"), Block.of("tight saturated"))))
                .hasMessageContaining("amp");
    }

    @ParameterizedTest
    @CsvSource({"0-10, 3.3, 3.3", "0-100, 3.3, 33", "clock, 0, 7:00", "clock, 5, 12:00", "clock, 10, 17:00"})
    void theSameSettingIsShownOnThePlayersOwnScale(String scale, double value, String shown) {
        Rig rig = new Rig(List.of(), Map.of("chiming edge", 1),
                Map.of("chiming edge", DeviceScale.of(scale).orElseThrow()), 9);
        Model amp = Gear.model("chiming edge");
        assertThat(rig.display(amp, amp.control("gain"), value)).isEqualTo(shown);
    }

    @ParameterizedTest
    @CsvSource({"89, 89 Hz", "1800, 1.8 kHz", "2239, 2.24 kHz", "5000, 5 kHz", "20000, 20 kHz", "0.42, 0.42 Hz"})
    void frequenciesAreShownWithThreeDigitsAndNoEmptyOnes(double hz, String shown) {
        Control c = Control.number("x", "Hz", Control.Range.of(0.01, 20000, 1000), Control.Attribute.COLOUR, "x");
        assertThat(c.display(hz)).isEqualTo(shown);
    }

    @Test
    void aRangeNamesItsUnitOnce() {
        Model echo = Gear.model("clean echo");
        assertThat(Rig.everything().displayRange(echo, echo.control("time"), 274, 297)).isEqualTo("274 – 297 ms");
        Model amp = Gear.model("chiming edge");
        assertThat(Rig.everything().displayRange(amp, amp.control("gain"), 1, 2.5)).isEqualTo("1.0 – 2.5");
    }

    @Test
    void onlyWhatIsOwnedIsOffered() {
        Rig rig = new Rig(List.of(), Map.of("chiming edge", 1, "2×12 open", 0), Map.of(), 9);
        assertThat(rig.owned(GearKind.AMP)).extracting(Model::name).containsExactly("chiming edge");
        assertThat(rig.owned(GearKind.CABINET)).isEmpty();
        assertThat(Rig.everything().owned(GearKind.CABINET)).hasSize(7);
    }

    @Test
    void anEqualizersFiltersAreCalledByWhereTheyWork() {
        Block eq = Block.of("parametric equalizer").with("peak 2 frequency", 2510).with("low corner", 120);
        assertThat(eq.label("peak 2")).isEqualTo("at 2.51 kHz");
        assertThat(eq.label("peak 2 width")).isEqualTo("at 2.51 kHz, width");
        assertThat(eq.label("low shelf")).isEqualTo("below 120 Hz");
        assertThat(eq.label("level")).isEqualTo("level");
        assertThat(Block.of("open clean").label("gain")).isEqualTo("gain");
    }
}
