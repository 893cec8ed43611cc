package verisonus.desktop.derive.chain;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Turning;
import verisonus.core.rig.Unit;

/** What a device shows of a setting is what can be typed to set it: every control of every model, on every scale. */
class EveryControlTest {
    private static final double[] PLACES = {0, 0.13, 0.5, 0.77, 1};

    static Stream<Arguments> controls() {
        return Gear.MODELS.stream().flatMap(m -> m.controls().stream().filter(c -> !c.isChoice())
                .flatMap(c -> (c.unit().equals("0-10") ? Stream.of(DeviceScale.values()) : Stream.of(DeviceScale.TENS))
                        .map(s -> Arguments.of(m, c, s))));
    }

    @ParameterizedTest
    @MethodSource("controls")
    void whatIsShownIsReadBack(Model m, Control c, DeviceScale scale) {
        Rig rig = Rig.everything().scaling(m, scale);
        for (double place : PLACES) readBack(rig, m, c, c.valueAt(place));
    }

    private static void readBack(Rig rig, Model m, Control c, double value) {
        String shown = rig.display(m, c, value);
        ScaleEntry typed = ScaleEntry.read(shown, Block.of(m), c, rig);
        assertThat(typed.fault()).as("%s of %s, shown as %s", c.name(), m.name(), shown).isEmpty();
        // As much as is shown, and no more.
        double step = switch (c.unit()) {
            case "0-10" -> 0.09;
            case "dB", "Q", "s" -> 0.06;
            default -> 0.51;
        };
        if (c.unit().equals("Hz") && value >= 1000) step = value / 100;
        assertThat(typed.value().orElseThrow()).as("%s of %s, shown as %s", c.name(), m.name(), shown)
                .isCloseTo(value, within(step));
    }

    static Stream<Model> amps() {
        return Stream.of("open clean", "small combo").map(Gear::model);
    }

    @ParameterizedTest
    @MethodSource("amps")
    void aDeviceThatTurnsInItsOwnWayIsReadAsItStands(Model base) {
        Turning turning = new Turning(
                List.of(new Turning.Place(1, 3), new Turning.Place(6, 5), new Turning.Place(9, 9)));
        Unit mine = Unit.of("mine", base, Map.of("gain", new Unit.Reach(3, 9)), List.of())
                .turning(Map.of("gain", turning));
        for (DeviceScale s : DeviceScale.values()) {
            Rig rig = Rig.everything().with(mine).scaling(mine.model(), s);
            Control gain = mine.model().control("gain");
            for (double value : new double[]{3, 4, 5, 7.5, 9}) readBack(rig, mine.model(), gain, value);
        }
    }
}
