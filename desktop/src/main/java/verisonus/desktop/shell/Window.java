package verisonus.desktop.shell;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.CountDownLatch;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.Scene;
import javafx.scene.control.Button;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import verisonus.casebook.store.Casebook;
import verisonus.core.work.InputFault;
import verisonus.core.work.OutputFault;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.Work;
import verisonus.desktop.player.Player;
import verisonus.desktop.player.PlayerModel;
import verisonus.desktop.player.SoundOutput;
import verisonus.desktop.theme.Theme;

/** Everything that one open casebook needs, put together; closing ends its threads and its file. */
public final class Window implements AutoCloseable {
    /** Stylesheets, the general one first. */
    private static final List<String> SHEETS = List.of("theme/base.css", "shell/shell.css", "measure/measure.css",
            "derive/derive.css", "sheet/sheet.css");
    public static final double WIDTH = 1280;
    public static final double HEIGHT = 800;

    private static final Logger LOG = LoggerFactory.getLogger(Window.class);

    private final Casebook book;
    private final Work work;
    private final Player player;
    private final Theme theme = new Theme();
    private final Desk desk;
    private final ShellView shell;
    private final Scene scene;

    /** On the window's thread. Takes over the casebook. */
    public Window(Casebook book) {
        this(book, new CountDownLatch(0));
    }

    /** Reads styles and fonts while there is no casebook yet to be shown with them. On the window's thread. */
    static void rehearse() {
        Button button = new Button("rehearsed");
        new Theme().dress(new Scene(button), SHEETS);
        button.applyCss();
        button.layout();
    }

    /** @param shown opens when the window is on the screen: background work waits for it */
    Window(Casebook book, CountDownLatch shown) {
        this.book = book;
        work = new Work(Platform::runLater, shown);
        player = new Player(SoundOutput::best);
        desk = new Desk(book, work, new PlayerModel(player));
        shell = new ShellView(desk, theme);
        scene = new Scene(shell, WIDTH, HEIGHT);
        theme.dress(scene, SHEETS);
        scene.getRoot().requestFocus();
        Thread.currentThread().setUncaughtExceptionHandler((_, e) -> tell(e));
    }

    /** What goes wrong under a key or a button is said like what goes wrong in the background; the window goes on. */
    private void tell(Throwable e) {
        switch (e) {
            case InputFault f -> work.tell(f);
            case OutputFault f -> work.tell(f);
            default -> {
                LOG.error("under a key or a button", e);
                work.tell(new IllegalStateException("a fault of this program (" + e + "); what was kept is safe", e));
            }
        }
    }

    /** @param how opens another casebook in the place of this one */
    void setOpenBook(Consumer<Path> how) {
        shell.setOpenBook(how);
    }

    /** Whether this is the file that is open. */
    boolean holds(Path file) {
        try {
            return Files.isSameFile(file, book.file());
        } catch (IOException e) {
            return false;
        }
    }

    /** Offers a first walk. */
    void offerWalk() {
        shell.offerWalk();
    }

    public Scene scene() {
        return scene;
    }

    public Desk desk() {
        return desk;
    }

    public Theme theme() {
        return theme;
    }

    @Override
    public void close() {
        shell.close();
        player.close();
        work.close();
        book.close();
    }
}
