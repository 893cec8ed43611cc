package verisonus.desktop.derive.chain;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.input.KeyCode;
import javafx.scene.input.KeyEvent;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import verisonus.casebook.store.CaseEntry;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Tone;
import verisonus.core.search.Tolerance;
import verisonus.core.simulate.EqualizerCurve;
import verisonus.core.take.Pairing;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.session.CaseSession;
import verisonus.desktop.theme.Theme;

/** What matters stands in the table, what rests is folded, and an equalizer is the curve that it makes. */
class ChainTableTest {
    @TempDir
    private Path dir;
    private DeskFixture fixture;
    private ChainModel model;
    private ChainTable table;

    @BeforeEach
    void open() throws Exception {
        fixture = new DeskFixture(dir);
        Tone tone = new Tone("t", List.of(Block.of("chiming edge").with("gain", 6), Block.of("2×12 open"),
                Block.of("dynamic microphone"),
                Block.of("parametric equalizer").with("peak 1", 4).with("peak 1 frequency", 1000).with("peak 2", -3)
                        .with("peak 2 frequency", 300)));
        List<Tolerance> tolerances = List.of(new Tolerance("amp", "gain", 6, 5.5, 6.5, "touch"),
                new Tolerance("amp", "bass", 5, 0, 10, "bottom"), new Tolerance("amp", "mid", 5, 0.5, 9.5, "bottom"),
                new Tolerance("amp", "treble", 5, 4, 6, "bite"), new Tolerance("amp", "master", 5, 2, 8, "bite"),
                new Tolerance("equalizer", "peak 1", 4, 2, 6, "middle"));
        fixture.book().tones().keepTone(fixture.open().entry().id(), new DerivedTone(tone, Optional.empty(), Locks.NONE,
                tolerances, List.of(), new GapLedger(List.of(), 0),
                new DerivedTone.Search(Pairing.SAME_PERFORMANCE, 1, 10, "", 0)), "Derived");
        fixture.desk().refresh();
        fixture.settle();
        model = new ChainModel(new CaseSession(fixture.desk()));
        FxToolkit.registerPrimaryStage();
        table = WaitForAsyncUtils.waitForAsyncFx(10_000, () -> {
            ChainTable made = new ChainTable(model, new Theme());
            new Scene(made, 640, 600);
            made.show();
            return made;
        });
    }

    @AfterEach
    void close() throws Exception {
        FxToolkit.cleanupStages();
        fixture.close();
    }

    private boolean has(String id) {
        return table.lookup("#" + id) != null;
    }

    private void press(String id) throws Exception {
        FxToolkit.setupFixture(() -> {
            ((Button) table.lookup("#" + id)).fire();
            table.show();
        });
    }

    private void key(Node node, KeyCode code) throws Exception {
        FxToolkit.setupFixture(() -> {
            node.fireEvent(new KeyEvent(KeyEvent.KEY_PRESSED, "", "", code, false, false, false, false));
            node.fireEvent(new KeyEvent(KeyEvent.KEY_RELEASED, "", "", code, false, false, false, false));
        });
        fixture.settle();
    }

    private Block equalizer() {
        return model.session().settings().orElseThrow().find("equalizer").orElseThrow();
    }

    @Test
    void whatRestsIsFoldedAndNamedAndOpensAtAPress() throws Exception {
        assertThat(has("scale-amp-gain")).isTrue();
        assertThat(has("scale-amp-treble")).isTrue();
        assertThat(has("scale-amp-bass")).isFalse();
        assertThat(((Button) table.lookup("#rest-amp")).getText()).startsWith("bass, mid").endsWith("at rest");
        press("rest-amp");
        assertThat(has("scale-amp-bass")).isTrue();
    }

    @Test
    void anEqualizerThatIsFlatStandsInTheChainAndShowsItsSettings() throws Exception {
        model.edits().add(Gear.model("octave graphic"));
        fixture.settle();
        FxToolkit.setupFixture(table::show);
        Block flat = model.session().settings().orElseThrow().blocks().stream()
                .filter(b -> b.model().name().equals("octave graphic")).findFirst().orElseThrow();
        String id = flat.id().replace(' ', '-');
        press("whole-" + id);
        assertThat(has("scale-" + id + "-500-Hz")).isTrue();
    }

    @Test
    void whatWasUnfoldedIsFoldedInAnotherCase() throws Exception {
        press("rest-amp");
        assertThat(has("scale-amp-bass")).isTrue();
        CaseEntry here = fixture.open().entry();
        long other = fixture.book().addCase("Other", "", "");
        fixture.desk().openCase(fixture.book().cases().stream().filter(c -> c.id() == other).findFirst().orElseThrow());
        fixture.settle();
        fixture.desk().openCase(here);
        fixture.settle();
        FxToolkit.setupFixture(table::show);
        assertThat(has("scale-amp-gain")).isTrue();
        assertThat(has("scale-amp-bass")).isFalse();
    }

    @Test
    void aLockedFilterIsReachedByTheKeyboardAndKeepsItsValue() throws Exception {
        SettingRow peak = model.settings().stream().filter(r -> r.control().name().equals("peak 1")).findFirst()
                .orElseThrow();
        model.toggleLock(peak);
        fixture.settle();
        FxToolkit.setupFixture(table::show);
        Node scale = table.lookup("#filter-peak-1");
        assertThat(scale.isFocusTraversable()).isTrue();
        key(scale, KeyCode.UP);
        assertThat(equalizer().get("peak 1")).isEqualTo(4);
    }

    @Test
    void anEchoPutInByHandShowsItsSettingsForNobodyHasTriedThem() throws Exception {
        model.edits().add(Gear.model("clean echo"));
        fixture.settle();
        FxToolkit.setupFixture(table::show);
        assertThat(has("scale-echo-time")).isTrue();
        assertThat(has("rest-echo")).isFalse();
    }

    @Test
    void whatALittleTurnChangesIsPrintedStrong() {
        assertThat(table.lookup("#about-amp-gain").getStyleClass()).contains("strong");
        assertThat(table.lookup("#about-amp-master").getStyleClass()).doesNotContain("strong");
    }

    @Test
    void anEqualizersFiltersAreTurnedByTheKeyboardInItsCurve() throws Exception {
        assertThat(has("scale-equalizer-peak-1")).isFalse();
        double before = EqualizerCurve.gainDb(equalizer(), 1000, 48000);
        key(table.lookup("#filter-peak-1"), KeyCode.UP);
        assertThat(EqualizerCurve.gainDb(equalizer(), 1000, 48000) - before).isCloseTo(0.5, within(0.05));
        FxToolkit.setupFixture(table::show);
        key(table.lookup("#filter-peak-1"), KeyCode.RIGHT);
        assertThat(equalizer().get("peak 1 frequency")).isEqualTo(1059);
    }

    @Test
    void theFiltersAsFiguresAreOnePressAway() throws Exception {
        press("draw-equalizer");
        assertThat(has("scale-equalizer-peak-1")).isTrue();
        assertThat(has("filter-peak-1")).isFalse();
    }

    @Test
    void filtersStandFromLowToHigh() {
        List<EqualizerFilter> filters = EqualizerFilter.among(
                model.settings().stream().filter(r -> r.block().id().equals("equalizer")).toList(),
                model.everySetting(equalizer()));
        assertThat(filters).extracting(EqualizerFilter::hz).containsExactly(300.0, 1000.0);
    }

    @Test
    void placesInTheDrawingRunBothWays() {
        EqualizerAxes axes = new EqualizerAxes(500, 128, 12);
        for (double hz : new double[]{80, 440, 5000})
            assertThat(axes.hz(axes.x(hz))).isCloseTo(hz, within(hz * 1e-9));
        for (double db : new double[]{-9, 0, 7.5}) assertThat(axes.db(axes.y(db))).isCloseTo(db, within(1e-9));
    }
}
