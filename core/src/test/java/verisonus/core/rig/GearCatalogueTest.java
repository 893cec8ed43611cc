package verisonus.core.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.HashSet;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** What holds for every model and control that ships. */
class GearCatalogueTest {
    static Stream<Model> models() {
        return Gear.MODELS.stream();
    }

    @Test
    void everyModelHasANameOfItsOwnAndIsFoundByIt() {
        Set<String> names = new HashSet<>();
        for (Model m : Gear.MODELS) {
            assertThat(names.add(m.name())).as(m.name()).isTrue();
            assertThat(Gear.model(m.name())).isSameAs(m);
            assertThat(Gear.find(m.name())).contains(m);
        }
        assertThat(Gear.find("toaster")).isEmpty();
    }

    @Test
    void everyKindHasAModel() {
        for (GearKind k : GearKind.values()) assertThat(Gear.of(k)).as(k.word()).isNotEmpty();
    }

    @ParameterizedTest
    @MethodSource("models")
    void saysWhatItIsAndWhatEachControlDoes(Model m) {
        assertThat(m.about()).isNotBlank();
        Set<String> names = new HashSet<>();
        for (Control c : m.controls()) {
            assertThat(names.add(c.name())).as(c.name()).isTrue();
            assertThat(c.about()).as(c.name()).isNotBlank();
            assertThat(m.control(c.name())).isSameAs(c);
        }
        assertThat(m.find("warp drive")).isEmpty();
        assertThatThrownBy(() -> m.control("warp drive")).isInstanceOf(RuntimeException.class);
    }

    @ParameterizedTest
    @MethodSource("models")
    void startsWithinItsRangesAndHoldsThem(Model m) {
        for (Control c : m.controls()) {
            assertThat(c.minimum()).as(c.name()).isLessThan(c.maximum());
            assertThat(c.defaultValue()).as(c.name()).isBetween(c.minimum(), c.maximum());
            assertThat(c.clamp(1e9)).isEqualTo(c.maximum());
            assertThat(c.clamp(-1e9)).isEqualTo(c.minimum());
            assertThat(Block.of(m.name()).get(c.name())).isEqualTo(c.defaultValue());
        }
    }

    @ParameterizedTest
    @MethodSource("models")
    void goesFromLeastToMostOnItsScaleAndBack(Model m) {
        for (Control c : m.controls()) {
            if (c.isChoice()) continue;
            assertThat(c.valueAt(0)).as(c.name()).isCloseTo(c.minimum(), within(1e-6));
            assertThat(c.valueAt(1)).as(c.name()).isCloseTo(c.maximum(), within(1e-3 * Math.abs(c.maximum())));
            double last = c.minimum() - 1;
            for (double p = 0; p <= 1.0001; p += 0.05) {
                double v = c.valueAt(Math.min(1, p));
                assertThat(v).as("%s at %.2f", c.name(), p).isGreaterThanOrEqualTo(last);
                // What is shown is rounded, so a step of the scale may be lost.
                assertThat(c.position(v)).as("%s at %.2f", c.name(), p).isCloseTo(Math.min(1, p), within(0.02));
                last = v;
            }
        }
    }

    @ParameterizedTest
    @MethodSource("models")
    void itsChoicesAreNamedAndCounted(Model m) {
        for (Control c : m.controls()) {
            if (!c.isChoice()) continue;
            assertThat(c.choices()).as(c.name()).hasSizeGreaterThan(1).doesNotHaveDuplicates();
            assertThat(c.maximum()).isEqualTo(c.choices().size() - 1);
            for (int i = 0; i < c.choices().size(); i++) assertThat(c.display(i)).isEqualTo(c.choices().get(i));
        }
    }

    @ParameterizedTest
    @MethodSource("models")
    void showsEveryValueWithItsUnit(Model m) {
        for (Control c : m.controls()) {
            String shown = c.display(c.defaultValue());
            assertThat(shown).as(c.name()).isNotBlank().doesNotContain("NaN");
            if (c.unit().equals("dB")) assertThat(shown).endsWith("dB");
            if (c.unit().equals("%")) assertThat(shown).endsWith("%");
        }
    }

    @ParameterizedTest
    @MethodSource("models")
    void isSetWithoutTouchingTheBlockBefore(Model m) {
        Block b = Block.of(m.name());
        for (Control c : m.turnable()) {
            double v = c.isChoice() ? 1 : c.valueAt(0.77);
            Block set = b.with(c.name(), v);
            assertThat(set.get(c.name())).as(c.name()).isCloseTo(v, within(1e-9));
            assertThat(b.get(c.name())).isEqualTo(c.defaultValue());
            assertThat(set.with(c.name(), c.defaultValue())).isEqualTo(b.with(c.name(), c.defaultValue()));
        }
    }
}
