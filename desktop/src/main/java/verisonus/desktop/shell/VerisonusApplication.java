package verisonus.desktop.shell;

import java.nio.file.Path;
import java.util.Objects;
import java.util.concurrent.CountDownLatch;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.stage.Stage;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import verisonus.casebook.store.Casebook;

/** The real window on a real screen. */
public final class VerisonusApplication extends Application {
    private static @Nullable Path casebook;
    private static final Duration SETTLE = Duration.millis(250);

    private @Nullable Window window;

    /** Shows the window until it is closed. */
    public static void show(Path file) {
        casebook = file;
        launch(VerisonusApplication.class);
    }

    @Override
    public void start(Stage stage) {
        CountDownLatch shown = new CountDownLatch(1);
        Window w = new Window(Casebook.open(Objects.requireNonNull(casebook)), shown);
        window = w;
        stage.setTitle("Verisonus");
        stage.setMinWidth(1100);
        stage.setMinHeight(700);
        stage.setScene(w.scene());
        stage.show();
        PauseTransition settled = new PauseTransition(SETTLE);
        settled.setOnFinished(_ -> shown.countDown());
        settled.play();
        // For measuring the start and for training the cache: one frame, then out.
        if (Boolean.getBoolean("verisonus.first.window.only")) {
            Platform.runLater(() -> Platform.runLater(Platform::exit));
        }
    }

    @Override
    public void stop() {
        if (window != null) window.close();
    }
}
