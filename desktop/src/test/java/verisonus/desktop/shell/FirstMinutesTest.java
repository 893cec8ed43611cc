package verisonus.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javafx.scene.control.Label;
import javafx.scene.input.KeyCode;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import verisonus.casebook.store.Medium;
import verisonus.demo.DemoCasebook;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;

/** From an empty casebook to a tone on the sheet, by keys alone. */
class FirstMinutesTest {
    @TempDir
    private Path dir;
    private FreshWindow window;
    private Desk desk;
    private FxRobot robot;

    @BeforeEach
    void open() throws Exception {
        window = new FreshWindow(dir.resolve("empty.casebook"));
        desk = window.desk();
        robot = window.robot();
    }

    @AfterEach
    void close() throws Exception {
        window.close();
    }

    @Test
    void twoPastedFilesBecomeATone() throws Exception {
        Path book = dir.resolve("parts.casebook");
        List<File> files = DemoCasebook.extract(book, Medium.Role.REFERENCE, Medium.Role.DI).stream().map(File::new)
                .toList();
        assertThat(files).allSatisfy(f -> assertThat(Files.exists(f.toPath())).isTrue());
        window.copied(files);
        window.press(KeyCode.CONTROL, KeyCode.V);
        window.idle(() -> desk.sounds().get().di().isPresent());
        assertThat(desk.open().get().orElseThrow().media()).extracting(Medium::role)
                .containsExactlyInAnyOrder(Medium.Role.REFERENCE, Medium.Role.DI);
        window.press(KeyCode.CONTROL, KeyCode.D);
        window.idle(() -> desk.open().get().orElseThrow().tone().isPresent());
        assertThat(desk.open().get().orElseThrow().region()).as("the best passage, marked").isPresent();
        assertThat(desk.bench().get()).as("where the tone stands").isEqualTo(Bench.DERIVE);
        window.press(KeyCode.DIGIT7);
        window.idle(() -> desk.bench().get() == Bench.SHEET);
        assertThat(label("#case-title")).isEqualTo("New case");
        assertThat(window.keys()).as("keys pressed").isEqualTo(3);
        window.press(KeyCode.SHIFT, KeyCode.F1);
        assertThat(robot.lookup("#keys").query().isVisible()).isTrue();
        window.press(KeyCode.ESCAPE);
        assertThat(robot.lookup("#keys").query().isVisible()).isFalse();
    }

    private String label(String id) {
        return robot.lookup(id).<Label>query().getText();
    }
}
