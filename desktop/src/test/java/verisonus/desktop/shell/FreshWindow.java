package verisonus.desktop.shell;

import java.io.File;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import javafx.scene.input.Clipboard;
import javafx.scene.input.ClipboardContent;
import javafx.scene.input.KeyCode;
import javafx.stage.Stage;
import org.testfx.api.FxRobot;
import org.testfx.api.FxToolkit;
import org.testfx.util.WaitForAsyncUtils;
import verisonus.casebook.store.Casebook;
import verisonus.desktop.desk.Desk;

/** A real window on an empty casebook, as a player meets it, with a keyboard and a clipboard. */
final class FreshWindow implements AutoCloseable {
    private final FxRobot robot = new FxRobot();
    private final Window window;
    private int keys;

    FreshWindow(Path casebook) throws Exception {
        FxToolkit.registerPrimaryStage();
        window = WaitForAsyncUtils.waitForAsyncFx(30_000, () -> {
            Window w = new Window(Casebook.create(casebook));
            Stage stage = FxToolkit.toolkitContext().getRegisteredStage();
            stage.setScene(w.scene());
            stage.setWidth(1280);
            stage.setHeight(800);
            stage.show();
            return w;
        });
    }

    FxRobot robot() {
        return robot;
    }

    Desk desk() {
        return window.desk();
    }

    /** Chords pressed so far. */
    int keys() {
        return keys;
    }

    /** Until no work is under way and this holds. */
    void idle(BooleanSupplier done) throws Exception {
        for (int i = 0; i < 2; i++) {
            WaitForAsyncUtils.waitFor(180, TimeUnit.SECONDS, () -> WaitForAsyncUtils.waitForAsyncFx(30_000,
                    () -> !desk().work().busy().get() && done.getAsBoolean()));
            WaitForAsyncUtils.waitForFxEvents();
        }
    }

    void press(KeyCode... chord) {
        keys++;
        for (KeyCode k : chord) robot.press(k);
        for (int i = chord.length - 1; i >= 0; i--) robot.release(chord[i]);
        WaitForAsyncUtils.waitForFxEvents();
    }

    /** What another program copied. */
    void copied(List<File> files) {
        robot.interact(() -> {
            ClipboardContent content = new ClipboardContent();
            content.putFiles(files);
            Clipboard.getSystemClipboard().setContent(content);
        });
    }

    @Override
    public void close() throws Exception {
        FxToolkit.setupFixture(() -> window.close());
        FxToolkit.cleanupStages();
    }
}
