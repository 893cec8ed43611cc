package verisonus.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import javafx.scene.control.Label;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.Medium;
import verisonus.demo.DemoCasebook;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;

/** From an empty casebook to a tone on the sheet, by keys alone. */
class FirstMinutesTest {
    private final FxRobot robot = new FxRobot();

    @TempDir
    private Path dir;
    private Window window;
    private Desk desk;
    private int keys;

    @BeforeEach
    void open() throws Exception {
        FxToolkit.registerPrimaryStage();
        window = WaitForAsyncUtils.waitForAsyncFx(30_000, () -> {
            Window w = new Window(Casebook.create(dir.resolve("empty.casebook")));
            Stage stage = FxToolkit.toolkitContext().getRegisteredStage();
            stage.setScene(w.scene());
            stage.show();
            return w;
        });
        desk = window.desk();
    }

    @AfterEach
    void close() throws Exception {
        FxToolkit.setupFixture(() -> window.close());
        FxToolkit.cleanupStages();
    }

    private void idle(BooleanSupplier done) throws Exception {
        for (int i = 0; i < 2; i++) {
            WaitForAsyncUtils.waitFor(180, TimeUnit.SECONDS, () -> WaitForAsyncUtils.waitForAsyncFx(30_000,
                    () -> !desk.work().busy().get() && done.getAsBoolean()));
            WaitForAsyncUtils.waitForFxEvents();
        }
    }

    private void press(KeyCode... chord) {
        keys++;
        for (KeyCode k : chord) robot.press(k);
        for (int i = chord.length - 1; i >= 0; i--) robot.release(chord[i]);
        WaitForAsyncUtils.waitForFxEvents();
    }

    /** What another program copied. */
    private void copied(List<File> files) {
        robot.interact(() -> {
            ClipboardContent content = new ClipboardContent();
            content.putFiles(files);
            Clipboard.getSystemClipboard().setContent(content);
        });
    }

    @Test
    void twoPastedFilesBecomeATone() throws Exception {
        Path book = dir.resolve("parts.casebook");
        List<File> files = DemoCasebook.extract(book, Medium.Role.REFERENCE, Medium.Role.DI).stream().map(File::new)
                .toList();
        assertThat(files).allSatisfy(f -> assertThat(Files.exists(f.toPath())).isTrue());
        copied(files);
        press(KeyCode.CONTROL, KeyCode.V);
        idle(() -> desk.sounds().get().di().isPresent());
        assertThat(desk.open().get().orElseThrow().media()).extracting(Medium::role)
                .containsExactlyInAnyOrder(Medium.Role.REFERENCE, Medium.Role.DI);
        press(KeyCode.CONTROL, KeyCode.D);
        idle(() -> desk.open().get().orElseThrow().tone().isPresent());
        assertThat(desk.open().get().orElseThrow().region()).as("the best passage, marked").isPresent();
        assertThat(desk.bench().get()).as("where the tone stands").isEqualTo(Bench.DERIVE);
        press(KeyCode.DIGIT7);
        idle(() -> desk.bench().get() == Bench.SHEET);
        assertThat(label("#case-title")).isEqualTo("New case");
        assertThat(keys).as("keys pressed").isEqualTo(3);
        press(KeyCode.SHIFT, KeyCode.F1);
        assertThat(robot.lookup("#keys").query().isVisible()).isTrue();
        press(KeyCode.ESCAPE);
        assertThat(robot.lookup("#keys").query().isVisible()).isFalse();
    }

    private String label(String id) {
        return robot.lookup(id).<Label>query().getText();
    }
}
