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
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import javafx.event.ActionEvent;
import javafx.scene.Node;
import javafx.scene.control.Button;
import javafx.scene.control.ChoiceBox;
import javafx.scene.control.ScrollPane;
import javafx.scene.control.TextField;
import javafx.scene.layout.GridPane;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.desk.WindowFixture;
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
    private static WindowFixture window;
    private static ChainModel model;
    private static ChainTable table;

    @BeforeAll
    static void open() throws Exception {
        window = new WindowFixture(dir, take(0.3), take(0.3), take(0.29));
        model = window.on(() -> new ChainModel(new CaseSession(window.desk())));
        table = window.on(() -> new ChainTable(model, new Theme()));
        window.show(() -> new ScrollPane(table), 300, 120);
    }

    /** Three notes, hard and soft, then a rest. */
    private static Sound take(double everyS) {
        float[] x = DeskFixture.notes(1.2, everyS).channel(0).clone();
        for (int i = 0; i < x.length; i++) x[i] *= i < 14_000 ? 4f : i < 28_000 ? 0.4f : 0.002f;
        return Sound.mono(x, 48000);
    }

    @AfterAll
    static void close() {
        window.close();
    }

    private static <T> T onWindow(Callable<T> what) {
        return window.on(what);
    }

    private static void settle() {
        window.settle();
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
    void isSetHeardAndTakenBack(Model m) {
        Tone before = holding(m);
        Block block = before.blocks().stream().filter(b -> b.model().equals(m)).findFirst().orElseThrow();
        window.keepTone(before, new GapLedger(List.of(), 0));
        onWindow(() -> {
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
            onWindow(window.desk()::undo);
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
        return Renderer.render(now, onWindow(() -> window.desk().sounds().get().di().orElseThrow()),
                window.desk().sounds().get().second(), Quality.FINAL, Progress.NONE).channels();
    }

    private static float[][] mine() {
        return onWindow(() -> window.desk().sounds().get().mine().map(Sound::channels).orElseThrow());
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
            String typed = window.desk().rig().get().display(r.block().model(), r.control(), value);
            field.setText(typed);
            field.fireEvent(new ActionEvent());
            return ScaleEntry.read(typed, r.block(), r.control(), window.desk().rig().get()).value().orElseThrow();
        });
    }

    private static Node at(int row, int column) {
        return table.getChildren().stream()
                .filter(n -> GridPane.getRowIndex(n) == row && GridPane.getColumnIndex(n) == column)
                .findFirst().orElseThrow();
    }
}
