package verisonus.desktop.sheet;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Button;
import javafx.scene.control.CheckMenuItem;
import javafx.scene.control.MenuButton;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import verisonus.casebook.sheet.SheetFormat;
import verisonus.core.compare.GapLedger;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Tone;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.DeskFixture;
import verisonus.desktop.desk.WindowFixture;
import verisonus.desktop.theme.Theme;

/** The sheet bench: the page and what goes in. */
class SheetViewTest {
    private static final Tone TONE = new Tone("t", List.of(Block.of("chiming edge").with(ControlNames.GAIN, 6.3),
            Block.of("2×12 open"), Block.of("dynamic microphone")));

    @TempDir
    private static Path dir;
    private static WindowFixture window;
    private static SheetView view;

    @BeforeAll
    static void open() throws Exception {
        window = new WindowFixture(dir, DeskFixture.notes(2, 0.4), DeskFixture.notes(2, 0.4));
        window.keepTone(TONE, new GapLedger(List.of(), 0));
        window.on(() -> {
            window.desk().bench().set(Bench.SHEET);
            return true;
        });
        view = window.show(() -> new SheetView(new SheetModel(window.desk()), new Theme()), 1200, 760);
    }

    @AfterAll
    static void close() {
        window.close();
    }

    @Test
    void thePageSaysWhatToSet() {
        assertThat(window.text(view)).contains("Test Case").contains("chiming edge").contains("6.3");
    }

    @Test
    void everyFormatHasItsButton() {
        for (SheetFormat f : SheetFormat.values()) {
            Button b = window.on(() -> (Button) view.lookup("#export-" + f.ending()));
            assertThat(b.getText()).isEqualTo(f.words());
            assertThat(b.getAccessibleText()).contains(f.words());
        }
    }

    @Test
    void theStagePageHoldsLessInLargerLetters() {
        String whole = window.text(view);
        window.press(view, "stage-page");
        String large = window.text(view);
        assertThat(large).contains("6.3");
        assertThat(large.length()).isLessThan(whole.length());
        assertThat(window.on(() -> view.lookup(".large-page"))).isNotNull();
        assertThat(window.on(() -> view.lookup("#sheet-parts").isDisabled())).as("all of it stands there").isTrue();
        window.press(view, "stage-page");
        assertThat(window.text(view)).isEqualTo(whole);
    }

    @Test
    void whatIsLeftOutIsNotOnThePage() {
        String whole = window.text(view);
        List<CheckMenuItem> parts = window.on(() -> ((MenuButton) view.lookup("#sheet-parts")).getItems().stream()
                .filter(CheckMenuItem.class::isInstance).map(CheckMenuItem.class::cast)
                .filter(CheckMenuItem::isSelected).toList());
        assertThat(parts).isNotEmpty();
        for (CheckMenuItem p : parts) {
            window.on(() -> {
                p.setSelected(false);
                return p;
            });
        }
        window.settle();
        assertThat(window.text(view).length()).isLessThan(whole.length());
        window.on(() -> {
            parts.forEach(p -> p.setSelected(true));
            return parts;
        });
        window.settle();
        assertThat(window.text(view)).isEqualTo(whole);
    }
}
