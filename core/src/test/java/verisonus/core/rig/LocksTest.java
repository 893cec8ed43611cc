package verisonus.core.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class LocksTest {
    private static final ControlPlace GAIN = ControlPlace.parse("amp/gain");

    static Stream<ControlPlace> places() {
        return Gear.MODELS.stream().flatMap(m -> m.controls().stream()
                .map(c -> new ControlPlace(m.kind().word(), c.name())));
    }

    @ParameterizedTest
    @MethodSource("places")
    void everyPlaceReadsBackAsItIsSpelled(ControlPlace p) {
        assertThat(ControlPlace.parse(p.toString())).isEqualTo(p);
    }

    @ParameterizedTest
    @ValueSource(strings = {"amp", "/gain", "amp/", ""})
    void whatIsNoPlaceIsRefused(String text) {
        assertThatThrownBy(() -> ControlPlace.parse(text)).hasMessageContaining("block/control");
    }

    @Test
    void aBlockIsTouchedByItsOwnLocksAlone() {
        Locks l = Locks.of(GAIN);
        assertThat(l.touches("amp")).isTrue();
        assertThat(l.touches("amp 2")).isFalse();
        assertThat(l.holds("amp", "gain")).isTrue();
        assertThat(l.holds("amp", "mid")).isFalse();
    }

    @Test
    void lockingAndLettingGoLeavesNothingBehind() {
        assertThat(Locks.NONE.with(GAIN, true).with(GAIN, false)).isEqualTo(Locks.NONE);
    }

    @Test
    void everyModelHasAVoiceOfItsOwn() {
        assertThat(Gear.MODELS.stream().map(Model::voice)).doesNotHaveDuplicates();
        // A learnt amp is nobody's but the player's who learnt it.
        assertThat(Arrays.stream(Voice.class.getPermittedSubclasses()).filter(Class::isEnum)
                .mapToInt(c -> c.getEnumConstants().length).sum()).isEqualTo(Gear.MODELS.size());
    }
}
