package verisonus.desktop.shell;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import javafx.scene.control.Button;
import javafx.scene.control.Label;
import javafx.scene.control.TextField;
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
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Medium;
import verisonus.core.rig.Tone;
import verisonus.demo.DemoCasebook;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;

/** From one dry file to a tone of one's own, with no record: begun from a sound, moved to a wish, on the sheet. */
class NoRecordTest {
    private final FxRobot robot = new FxRobot();

    @TempDir
    private Path dir;
    private Window window;
    private Desk desk;

    @BeforeEach
    void open() throws Exception {
        FxToolkit.registerPrimaryStage();
        window = WaitForAsyncUtils.waitForAsyncFx(30_000, () -> {
            Window w = new Window(Casebook.create(dir.resolve("own.casebook")));
            Stage stage = FxToolkit.toolkitContext().getRegisteredStage();
            stage.setScene(w.scene());
            stage.setWidth(1280);
            stage.setHeight(800);
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
            WaitForAsyncUtils.waitFor(120, TimeUnit.SECONDS, () -> WaitForAsyncUtils.waitForAsyncFx(30_000,
                    () -> !desk.work().busy().get() && done.getAsBoolean()));
            WaitForAsyncUtils.waitForFxEvents();
        }
    }

    private void press(KeyCode... chord) {
        for (KeyCode k : chord) robot.press(k);
        for (int i = chord.length - 1; i >= 0; i--) robot.release(chord[i]);
        WaitForAsyncUtils.waitForFxEvents();
    }

    private void fire(String id) {
        Button b = robot.lookup(id).query();
        robot.interact(b::fire);
    }

    private Tone tone() {
        return desk.open().get().orElseThrow().tone().map(DerivedTone::tone).orElseThrow();
    }

    @Test
    void aDryFileBecomesATone() throws Exception {
        List<File> take = DemoCasebook.extract(dir.resolve("parts.casebook"), Medium.Role.DI).stream().map(File::new)
                .limit(1).toList();
        robot.interact(() -> {
            ClipboardContent content = new ClipboardContent();
            content.putFiles(take);
            Clipboard.getSystemClipboard().setContent(content);
        });
        press(KeyCode.CONTROL, KeyCode.V);
        idle(() -> desk.open().get().isPresent());
        asTake();
        press(KeyCode.CONTROL, KeyCode.D);
        idle(() -> !robot.lookup(".start-row").queryAll().isEmpty());
        assertThat(desk.bench().get()).isEqualTo(Bench.DERIVE);
        assertThat(robot.lookup(".start-row").queryAll()).as("a neutral chain and the starting tones")
                .hasSizeGreaterThan(20);
        Button third = robot.lookup(".start-row").nth(2).query();
        robot.interact(third::fire);
        idle(() -> robot.lookup("#begin").tryQuery().isPresent());
        fire("#begin");
        idle(() -> desk.open().get().orElseThrow().tone().isPresent());
        Tone begun = tone();
        assertThat(desk.sounds().get().mine()).as("it is heard").isPresent();
        robot.interact(() -> robot.lookup("#wish-words").<TextField>query().setText("brighter"));
        fire("#grant");
        idle(() -> robot.lookup("#wish-back").tryQuery().isPresent());
        assertThat(tone()).isNotEqualTo(begun);
        press(KeyCode.DIGIT7);
        idle(() -> desk.bench().get() == Bench.SHEET);
        press(KeyCode.DIGIT3);
        fire("#wish-back");
        idle(() -> tone().equals(begun));
        robot.interact(() -> robot.lookup("#wish-words").<TextField>query().setText("zzz"));
        fire("#grant");
        assertThat(robot.lookup("#wish-said").<Label>query().getText()).contains("no word that is known");
    }

    /** A single file may have been taken for a record; the player says what it is. */
    private void asTake() throws Exception {
        Medium file = desk.open().get().orElseThrow().media().get(0);
        if (file.role() != Medium.Role.DI) robot.interact(() -> desk.changeRole(file, Medium.Role.DI));
        idle(() -> desk.sounds().get().di().isPresent());
    }
}
