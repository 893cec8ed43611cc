package verisonus.casebook.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.Branch;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Placement;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.Tolerance;
import verisonus.core.take.Pairing;

/** A tone as somebody sets it with two hands. */
class SettingRowsTest {
    private static final Rig TENS = new Rig(List.of(), Map.of(), Map.of(), 9);

    private static DerivedTone derived(Locks locked, List<Tolerance> tolerances, Block... blocks) {
        return new DerivedTone(new Tone("t", List.of(blocks)), Optional.empty(), locked, tolerances, List.of(),
                new GapLedger(List.of(), 0), new DerivedTone.Search(Pairing.PLAYED_AGAIN, 1, 10, "", 0));
    }

    private static List<List<String>> rows(Block... blocks) {
        return new SettingRows(derived(Locks.NONE, List.of(), blocks), TENS).rows();
    }

    private static List<String> row(List<List<String>> rows, String control) {
        return rows.stream().filter(r -> r.get(1).equals(control)).findFirst().orElseThrow();
    }

    @Test
    void aDeviceIsNamedOnceAndItsControlsFollow() {
        List<List<String>> rows = rows(Block.of("chiming edge").with("gain", 4).with("treble", 6),
                Block.of("ribbon microphone").with("position", 20));
        assertThat(rows).extracting(r -> r.get(0)).containsOnlyOnce("chiming edge", "ribbon microphone");
        assertThat(row(rows, "gain")).contains("4.0");
        assertThat(rows.get(0).get(0)).isEqualTo("chiming edge");
    }

    @Test
    void whatIsOffIsLeftOutAndWhatHasNothingSetStaysAsItIs() {
        List<List<String>> rows = rows(Block.of("mid-hump overdrive").with("drive", 7).switched(false),
                Block.of("2×12 open"));
        assertThat(rows).hasSize(1);
        assertThat(rows.get(0)).contains("2×12 open", "as it is");
    }

    @Test
    void filtersStandFromLowToHighAndSilentOnesAreLeftOut() {
        List<List<String>> rows = rows(Block.of("parametric equalizer").with("low cut", 82).with("high shelf", -3)
                .with("peak 1", 2).with("peak 1 frequency", 2512).with("peak 2", -4).with("peak 2 frequency", 437)
                .with("peak 3", 0.3).with("level", 2));
        assertThat(rows).extracting(r -> r.get(1)).hasSize(5);
        assertThat(rows.get(0).get(1)).isEqualTo("low cut");
        assertThat(rows.get(1).get(1)).contains("440 Hz");
        assertThat(rows.get(2).get(1)).contains("2.5 kHz");
        assertThat(rows.get(3).get(1)).startsWith("above");
        assertThat(rows.get(4).get(1)).isEqualTo("level");
    }

    @ParameterizedTest
    @CsvSource({"0.5, wide", "1.4, medium", "3, narrow"})
    void aFiltersWidthIsAWordBesideItsFigure(double q, String word) {
        List<List<String>> rows = rows(
                Block.of("parametric equalizer").with("peak 1", 3).with("peak 1 width", q));
        assertThat(rows.get(0).get(2)).contains(word).contains("Q " + q);
    }

    @Test
    void aNarrowRangeIsShownAndAWideOneIsNot() {
        List<Tolerance> t = List.of(new Tolerance("amp", "gain", 5, 4.5, 5.5, "dirt"),
                new Tolerance("amp", "bass", 5, 1, 9, "bottom"));
        List<List<String>> rows = new SettingRows(derived(Locks.NONE, t, Block.of("chiming edge").with("gain", 5)
                .with("bass", 5)), TENS).rows();
        assertThat(row(rows, "gain").getLast()).contains("4.5").contains("5.5");
        assertThat(row(rows, "bass").getLast()).isEmpty();
    }

    @Test
    void whatIsNotHeardStandsInOneLineUnlessItIsLocked() {
        List<Tolerance> t = List.of(new Tolerance("amp", "sag", 3, 0, 10, ""));
        Block amp = Block.of("chiming edge").with("gain", 5).with("sag", 3);
        SettingRows free = new SettingRows(derived(Locks.NONE, t, amp), TENS);
        assertThat(free.rows()).noneMatch(r -> r.get(1).equals("sag"));
        assertThat(free.unheard()).hasValueSatisfying(u -> assertThat(u).contains("chiming edge sag"));
        SettingRows held = new SettingRows(derived(Locks.of(ControlPlace.parse("amp/sag")), t, amp), TENS);
        assertThat(row(held.rows(), "sag").getLast()).isEqualTo("locked by you");
        assertThat(held.unheard()).isEmpty();
    }

    @Test
    void otherScalesStandBesideThePlayersOwnForWhatTurnsFromNoughtToTen() {
        DerivedTone d = derived(Locks.NONE, List.of(), Block.of("chiming edge").with("gain", 5),
                Block.of("clean echo").with("time", 400));
        List<List<String>> rows = new SettingRows(d, TENS, List.of(DeviceScale.CLOCK)).rows();
        assertThat(rows).allSatisfy(r -> assertThat(r).hasSize(5));
        assertThat(row(rows, "gain").get(3)).isNotEmpty();
        assertThat(row(rows, "time").get(3)).isEmpty();
    }

    @Test
    void whereABlockSitsIsSaidBesideItsName() {
        Tone t = Placement.IN_LOOP.in(new Tone("t", List.of(Block.of("chiming edge"), Block.of("2×12 open"),
                Block.of("clean echo"))), "echo");
        assertThat(SettingRows.placed(t, t.find("echo").orElseThrow())).isEqualTo("clean echo, in the loop");
        assertThat(SettingRows.placed(t, t.find("amp").orElseThrow())).isEqualTo("chiming edge");
    }

    @Test
    void aBranchIsSaidWithItsWaySideAndLevel() {
        assertThat(
                SettingRows.branch(new Branch("wide", "microphone", Branch.OUTPUT, List.of("chorus"), -6, -40, true)))
                .contains("behind microphone").contains("−6.0 dB").contains("40 % to the left")
                .contains("phase turned");
    }

    @Test
    void eachFindingNamesWhatItDecided() {
        List<Tolerance> t = List.of(new Tolerance("amp", "gain", 5, 4.5, 5.5, "dirt"),
                new Tolerance("amp", "treble", 5, 4, 6, "bite"),
                new Tolerance("microphone", "position", 20, 10, 30, "bite"),
                new Tolerance("amp", "sag", 3, 0, 10, "dirt"));
        List<List<String>> reasons = new SettingRows(derived(Locks.NONE, t, Block.of("chiming edge"),
                Block.of("ribbon microphone")), TENS).reasons();
        assertThat(reasons).containsExactly(List.of("dirt", "amp gain"),
                List.of("bite", "amp treble, microphone position"));
    }
}
