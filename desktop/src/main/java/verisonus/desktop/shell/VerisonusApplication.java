package verisonus.desktop.shell;

import java.nio.file.Path;
import java.util.Objects;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.CountDownLatch;
import java.util.function.Supplier;
import javafx.animation.PauseTransition;
import javafx.application.Application;
import javafx.application.Platform;
import javafx.scene.image.Image;
import javafx.stage.Stage;
import javafx.util.Duration;
import org.jspecify.annotations.Nullable;
import verisonus.casebook.store.Casebook;
import verisonus.core.work.InputFault;
import verisonus.desktop.desk.CaseReading;

/** The real window on a real screen. */
public final class VerisonusApplication extends Application {
    private static CompletableFuture<Casebook> casebook = new CompletableFuture<>();
    private static CompletableFuture<?> toolkit = CompletableFuture.completedFuture("starts when asked");
    private static boolean offersWalk;
    private static final Duration SETTLE = Duration.millis(250);

    private @Nullable Window window;

    /** Begins to start the toolkit, and what every window needs of it, while the caller goes on; what goes wrong with it is thrown by {@link #show}. */
    public static void startToolkit() {
        toolkit = CompletableFuture.runAsync(() -> Platform.startup(Window::rehearse), VerisonusApplication::beside);
    }

    /**
     * Shows the window until it is closed. The casebook is opened while the toolkit starts.
     *
     * @param opening opens the casebook; what it throws is thrown here
     * @param toLearnWith whether a first walk is offered, as on the casebook that ships
     */
    public static void show(Supplier<Casebook> opening, boolean toLearnWith) {
        casebook = CompletableFuture.supplyAsync(() -> {
            Casebook book = opening.get();
            CaseReading.ahead(book);
            return book;
        }, VerisonusApplication::beside);
        offersWalk = toLearnWith;
        joined(toolkit);
        launch(VerisonusApplication.class);
        joined(casebook);
    }

    /** A thread for each, as a small machine's shared ones would let them wait for each other. */
    private static void beside(Runnable work) {
        Thread.ofPlatform().daemon().start(work);
    }

    private static void joined(CompletableFuture<?> future) {
        try {
            future.join();
        } catch (CompletionException e) {
            switch (e.getCause()) {
                case RuntimeException fault -> throw fault;
                case Error fault -> throw fault;
                case null, default -> throw e;
            }
        }
    }

    @Override
    public void start(Stage stage) {
        // Thrown out of here, the toolkit would write a line of its own before the one that names the fault.
        if (casebook.handle((_, fault) -> fault != null).join()) {
            Platform.exit();
            return;
        }
        CountDownLatch shown = new CountDownLatch(1);
        Window w = opened(stage, casebook.join(), shown);
        if (offersWalk) w.offerWalk();
        stage.setTitle("Verisonus");
        for (String size : new String[]{"48", "128"})
            stage.getIcons()
                    .add(new Image(Objects
                            .requireNonNull(VerisonusApplication.class.getResource("icon-" + size + ".png"), size)
                            .toExternalForm()));
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

    private Window opened(Stage stage, Casebook book, CountDownLatch shown) {
        Window w = new Window(book, shown);
        w.setOpenBook(other -> exchange(stage, other));
        window = w;
        return w;
    }

    /** Opens another casebook in this one's place; where it cannot be opened this one stays. */
    private void exchange(Stage stage, Path file) {
        Window before = Objects.requireNonNull(window);
        if (before.holds(file)) return;
        try {
            stage.setScene(opened(stage, Casebook.open(file), new CountDownLatch(0)).scene());
            before.close();
        } catch (InputFault e) {
            before.desk().work().tell(e);
        }
    }

    @Override
    public void stop() {
        if (window != null) window.close();
    }
}
