package verisonus.desktop.derive.chain;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.Tolerance;
import verisonus.core.take.Pairing;

class ScalesTest {
    private static final Control GAIN = Gear.model("chiming edge").control("gain");

    @ParameterizedTest
    @CsvSource({"5.2, 5.2", "'5,2', 5.2", "52 %, 5.2", "12:00, 5", "7:00, 0", "17:00, 10", "5:00, 10", "9:30, 2.5",
            "half past two, 7.5", "14:30, 7.5", "quarter to 4 o'clock, 8.75", "noon, 5", "nine, 2",
            "twelve o'clock, 5"})
    void aTypedSettingIsUnderstoodInOtherScales(String typed, double value) {
        assertThat(read(typed, GAIN, DeviceScale.TENS)).isCloseTo(value, within(1e-9));
    }

    @ParameterizedTest
    @CsvSource({"HUNDREDS, 52, 5.2", "HUNDREDS, 52 %, 5.2", "SIGNED, +2.5, 7.5", "SIGNED, −5, 0", "CLOCK, 14:30, 7.5",
            "TENS, 7, 7"})
    void aPlainNumberIsReadInTheDevicesOwnScale(DeviceScale scale, String typed, double value) {
        assertThat(read(typed, GAIN, scale)).isCloseTo(value, within(1e-9));
    }

    @ParameterizedTest
    @EnumSource(DeviceScale.class)
    void whatADeviceShowsCanBeTyped(DeviceScale scale) {
        for (double v = 0; v <= 10; v += 0.5)
            assertThat(read(scale.display(GAIN, v), GAIN, scale)).isCloseTo(v, within(0.06));
    }

    @ParameterizedTest
    @CsvSource({"TENS, 52, 0.0 to 10.0", "HUNDREDS, 140, 0 to 100", "TENS, −3, 0.0 to 10.0",
            "CLOCK, 17:30, 7:00 to 17:00"})
    void whatLiesOutsideTheScaleIsRefusedWithItsEnds(DeviceScale scale, String typed, String ends) {
        ScaleEntry e = ScaleEntry.read(typed, GAIN, scale);
        assertThat(e.value()).isEmpty();
        assertThat(e.fault()).contains(ends);
    }

    private static double read(String typed, Control control, DeviceScale scale) {
        return ScaleEntry.read(typed, control, scale).value().orElseThrow();
    }

    @Test
    void unitsAreUnderstood() {
        Control hz = Gear.model("parametric equalizer").control("peak 1 frequency");
        assertThat(read("1.2 k", hz, DeviceScale.TENS)).isEqualTo(1200);
        assertThat(read("1k2", hz, DeviceScale.TENS)).isEqualTo(1200);
        assertThat(read("900 Hz", hz, DeviceScale.TENS)).isEqualTo(900);
        Control time = Gear.model("clean echo").control("time");
        assertThat(read("0.45 s", time, DeviceScale.TENS)).isCloseTo(450, within(1e-9));
        assertThat(read("286 ms", time, DeviceScale.TENS)).isEqualTo(286);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "loud", "1:2:3", "--4", "4 parsecs"})
    void whatIsNoSettingIsLeftAlone(String typed) {
        assertThat(ScaleEntry.read(typed, GAIN, DeviceScale.TENS).value()).isEmpty();
        assertThat(ScaleEntry.read(typed, GAIN, DeviceScale.TENS).fault()).contains("no setting");
    }

    @Test
    void rowsCarryToleranceLockAndEarlierValue() {
        Tone before = new Tone("t", List.of(Block.of("chiming edge").with("gain", 3)));
        Tone now = new Tone("t", List.of(Block.of("chiming edge").with("gain", 4), Block.of("2×12 open"),
                Block.of("parametric equalizer").with("peak 1", 2).with("peak 1 frequency", 900)));
        DerivedTone d = new DerivedTone(now, Optional.of(before), Locks.of(ControlPlace.parse("amp/gain")),
                List.of(new Tolerance("amp", "gain", 4, 3.5, 4.5, "bite")), List.of(),
                new GapLedger(List.of(), 0), new DerivedTone.Search(Pairing.SAME_PERFORMANCE, 1, 1, "", 0));
        List<SettingRow> rows = SettingRow.of(d);
        SettingRow gain = rows.get(0);
        assertThat(gain.leads()).isTrue();
        assertThat(gain.locked()).isTrue();
        assertThat(gain.reason()).isEqualTo("locked");
        assertThat(gain.earlier()).contains(3.0);
        assertThat(gain.range(Rig.everything())).isEqualTo("3.5 – 4.5");
        assertThat(gain.stepped(1)).isCloseTo(4.1, within(1e-9));
        assertThat(rows.get(1).leads()).isFalse();
        SettingRow peak = rows.get(rows.size() - 1);
        assertThat(peak.label(Rig.everything())).isEqualTo("at 900 Hz");
        assertThat(rows.stream().filter(r -> r.block().id().equals("equalizer"))).hasSize(1);
    }
}
