package verisonus.desktop.derive;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
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
            "99, 10", "−3, 0"})
    void aTypedSettingIsUnderstoodInOtherScales(String typed, double value) {
        assertThat(ScaleEntry.read(typed, GAIN).orElseThrow()).isCloseTo(value, within(1e-9));
    }

    @Test
    void unitsAreUnderstood() {
        Control hz = Gear.model("parametric equalizer").control("peak 1 frequency");
        assertThat(ScaleEntry.read("1.2 k", hz).orElseThrow()).isEqualTo(1200);
        assertThat(ScaleEntry.read("900 Hz", hz).orElseThrow()).isEqualTo(900);
        Control time = Gear.model("clean echo").control("time");
        assertThat(ScaleEntry.read("0.45 s", time).orElseThrow()).isCloseTo(450, within(1e-9));
        assertThat(ScaleEntry.read("286 ms", time).orElseThrow()).isEqualTo(286);
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "loud", "1:2:3", "--4", "4 parsecs"})
    void whatIsNoSettingIsLeftAlone(String typed) {
        assertThat(ScaleEntry.read(typed, GAIN)).isEmpty();
    }

    @Test
    void theLedgerPutsWhoHasMoreToTheRight() {
        GapScale more = GapScale.of(new GapRow(GapAttribute.CREST, "dB", 0, 2, 1, "", "", true));
        assertThat(more.mineShare()).isGreaterThan(more.referenceShare());
        GapScale less = GapScale.of(new GapRow(GapAttribute.CREST, "dB", 0, -2, 1, "", "", true));
        assertThat(less.mineShare()).isLessThan(less.referenceShare());
        GapScale none = GapScale.of(new GapRow(GapAttribute.CREST, "dB", 1, 1, 1, "", "", true));
        assertThat(none.mineShare()).isEqualTo(none.referenceShare());
        GapScale huge = GapScale.of(new GapRow(GapAttribute.CREST, "dB", 0, 500, 1, "", "", true));
        assertThat(huge.mineShare()).isLessThanOrEqualTo(1);
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
        assertThat(peak.label()).isEqualTo("at 900 Hz");
        assertThat(rows.stream().filter(r -> r.block().id().equals("equalizer"))).hasSize(1);
    }
}
