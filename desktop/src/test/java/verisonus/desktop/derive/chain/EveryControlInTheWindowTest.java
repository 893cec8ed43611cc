package verisonus.desktop.derive.chain;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import javafx.application.Platform;
import javafx.event.ActionEvent;
import javafx.scene.Node;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Medium;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.sound.SoundWriter;
import verisonus.core.take.Pairing;
import verisonus.core.work.Progress;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.desk.Work;
import verisonus.desktop.player.Player;
import verisonus.desktop.player.PlayerModel;
import verisonus.desktop.player.VirtualOutput;
import verisonus.desktop.session.CaseSession;
import verisonus.desktop.theme.Theme;

/**
 * Every control is set in the chain's table, is heard where it was set to, and is taken back. Models with the same controls
 * go one way through the window, so that one of them walks it; that each of them sounds is the simulation's own test.
 */
class EveryControlInTheWindowTest {
    /** Its own network is the first of the choices; the rest needs a second speaker, a response or a loop that comes round. */
    private static final Set<String> NEEDS_MORE = Set.of("tone network", "second share", "length", "minimum phase",
            "level");

    @TempDir
    private static Path dir;
    private static Casebook book;
    private static Work work;
    private static Player player;
    private static Desk desk;
    private static ChainModel model;
    private static ChainTable table;

    @BeforeAll
    static void open() throws Exception {
        FxToolkit.registerPrimaryStage();
        book = Casebook.create(dir.resolve("all.casebook"));
        long id = book.addCase("Every Control", "", "");
        byte[] take = SoundWriter.encode(take(0.3), SoundWriter.Format.WAV_24);
        book.recordings().addMedium(id, Medium.Role.REFERENCE, "reference.wav", take);
        book.recordings().addMedium(id, Medium.Role.DI, "di.wav", take);
        book.recordings().addMedium(id, Medium.Role.DI, "again.wav",
                SoundWriter.encode(take(0.29), SoundWriter.Format.WAV_24));
        work = new Work(Platform::runLater);
        player = new Player(VirtualOutput::new);
        onWindow(() -> {
            desk = new Desk(book, work, new PlayerModel(player));
            model = new ChainModel(new CaseSession(desk));
            table = new ChainTable(model, new Theme());
            Stage stage = FxToolkit.toolkitContext().getRegisteredStage();
            stage.setScene(new Scene(new ScrollPane(table), 300, 120));
            stage.show();
            return stage;
        });
        settle();
    }

    /** Three notes, hard and soft, then a rest. */
    private static Sound take(double everyS) {
        float[] x = DeskFixture.notes(1.2, everyS).channel(0).clone();
        for (int i = 0; i < x.length; i++) x[i] *= i < 14_000 ? 4f : i < 28_000 ? 0.4f : 0.002f;
        return Sound.mono(x, 48000);
    }

    @AfterAll
    static void close() throws Exception {
        player.close();
        work.close();
        book.close();
        FxToolkit.cleanupStages();
    }

    private static <T> T onWindow(Callable<T> what) {
        return WaitForAsyncUtils.waitForAsyncFx(60_000, what);
    }

    private static void settle() throws Exception {
        WaitForAsyncUtils.waitFor(60, TimeUnit.SECONDS, () -> onWindow(() -> !work.busy().get()));
        onWindow(() -> {
            table.show();
            return true;
        });
    }

    private static Tone holding(Model m) {
        List<Block> blocks = new ArrayList<>(List.of(Block.of("chiming edge"), Block.of("2×12 open"),
                Block.of("dynamic microphone")));
        if (blocks.stream().anyMatch(b -> b.model().kind() == m.kind())) {
            blocks.replaceAll(b -> b.model().kind() == m.kind() ? Block.of(m.name()) : b);
        } else {
            blocks.add(m.kind() == GearKind.AMP ? 0 : blocks.size(), Block.of(m.name()));
        }
        // Where everything does something, so that turning it can be heard.
        blocks.replaceAll(b -> b.model().equals(m) ? working(b) : b);
        return new Tone("t", blocks);
    }

    private static Block working(Block b) {
        Block out = b;
        for (Control c : b.model().turnable()) if (!c.isChoice()) out = out.with(c.name(), c.valueAt(0.6));
        return out;
    }

    static Stream<Model> models() {
        Map<List<String>, Model> first = new LinkedHashMap<>();
        for (Model m : Gear.MODELS) {
            first.putIfAbsent(m.controls().stream().map(c -> m.kind() + c.name()).toList(), m);
        }
        return first.values().stream();
    }

    @ParameterizedTest
    @MethodSource("models")
    void isSetHeardAndTakenBack(Model m) throws Exception {
        Tone before = holding(m);
        Block block = before.blocks().stream().filter(b -> b.model().equals(m)).findFirst().orElseThrow();
        onWindow(() -> {
            book.tones().keepTone(desk.open().get().orElseThrow().entry().id(),
                    new DerivedTone(before, Optional.empty(), Locks.NONE, List.of(), List.of(),
                            new GapLedger(List.of(), 0),
                            new DerivedTone.Search(Pairing.SAME_PERFORMANCE, 1, 10, "", 0)),
                    "Derived");
            desk.refresh();
            model.showWhole(block, true);
            return true;
        });
        settle();
        float[][] asItWas = mine();
        List<SettingRow> rows = onWindow(model::settings).stream().filter(r -> r.block().id().equals(block.id()))
                .toList();
        assertThat(rows).hasSameSizeAs(m.turnable());
        Set<String> unheard = new HashSet<>();
        for (SettingRow r : rows) {
            double to = r.control().isChoice()
                    ? r.value() == 0 ? 1 : 0
                    : r.control().valueAt(r.position() > 0.5 ? 0.1 : 0.9);
            double shown = set(r, to);
            settle();
            assertThat(onWindow(() -> model.session().settings().orElseThrow().find(block.id()).orElseThrow()
                    .get(r.control().name()))).as(r.control().name()).isCloseTo(shown, within(1e-9));
            assertThat(mine()).as("%s, heard", r.control().name()).isDeepEqualTo(played());
            if (Arrays.deepEquals(mine(), asItWas)) unheard.add(r.control().name());
            onWindow(desk::undo);
            settle();
            assertThat(onWindow(() -> model.session().settings().orElseThrow())).as(r.control().name())
                    .isEqualTo(before);
            assertThat(mine()).as("%s, taken back", r.control().name()).isDeepEqualTo(asItWas);
        }
        assertThat(unheard).isSubsetOf(NEEDS_MORE);
    }

    /** The take through the tone that is kept. */
    private static float[][] played() {
        Tone now = onWindow(() -> model.session().settings().orElseThrow());
        return Renderer.render(now, onWindow(() -> desk.sounds().get().di().orElseThrow()), desk.secondTake(),
                Quality.FINAL, Progress.NONE).channels();
    }

    private static float[][] mine() {
        return onWindow(() -> desk.sounds().get().mine().map(Sound::channels).orElseThrow());
    }

    /** Turns it as a player does: a choice is picked, a figure is pressed and typed. @return what it must then be */
    private static double set(SettingRow r, double value) {
        String id = (r.block().id() + "-" + r.control().name()).replace(' ', '-');
        if (r.control().isChoice()) {
            onWindow(() -> {
                @SuppressWarnings("unchecked")
                ChoiceBox<String> box = (ChoiceBox<String>) table.lookup("#choice-" + id);
                box.getSelectionModel().select((int) value);
                return box;
            });
            return value;
        }
        return onWindow(() -> {
            Node scale = table.lookup("#scale-" + id);
            Button figure = (Button) at(GridPane.getRowIndex(scale), 3);
            figure.fire();
            TextField field = (TextField) at(GridPane.getRowIndex(scale), 3);
            String typed = desk.rig().get().display(r.block().model(), r.control(), value);
            field.setText(typed);
            field.fireEvent(new ActionEvent());
            return ScaleEntry.read(typed, r.block(), r.control(), desk.rig().get()).value().orElseThrow();
        });
    }

    private static Node at(int row, int column) {
        return table.getChildren().stream()
                .filter(n -> GridPane.getRowIndex(n) == row && GridPane.getColumnIndex(n) == column)
                .findFirst().orElseThrow();
    }
}
