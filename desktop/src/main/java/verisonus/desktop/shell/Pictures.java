package verisonus.desktop.shell;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import javafx.application.Platform;
import javafx.scene.Node;
import javafx.scene.control.ButtonBase;
import javafx.scene.control.ScrollPane;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javafx.stage.Stage;
import javax.imageio.ImageIO;
import verisonus.casebook.sheet.CaseSheet;
import verisonus.casebook.sheet.SheetFormat;
import verisonus.casebook.store.Casebook;
import verisonus.core.work.OutputFault;
import verisonus.core.work.Progress;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;

/** Draws every main view of a casebook into PNG files, with no screen needed. */
public final class Pictures {
    private static final long LONGEST_WAIT_S = 60;

    private Pictures() {}

    /**
     * Pictures of every bench by day and one by night, and the first case's tone sheet.
     *
     * @return the files, in the order they were written
     */
    public static List<Path> draw(Path casebook, Path folder) {
        List<Path> written = new ArrayList<>();
        try {
            Files.createDirectories(folder);
            written.add(sheet(casebook, folder));
            CountDownLatch started = new CountDownLatch(1);
            Platform.startup(started::countDown);
            started.await();
            Window window = onWindow(() -> {
                Window w = new Window(Casebook.open(casebook));
                Stage stage = new Stage();
                stage.setScene(w.scene());
                stage.show();
                return w;
            });
            for (Bench b : Bench.values()) written.add(bench(window, b, folder, ""));
            written.add(gear(window, folder));
            onWindow(() -> {
                window.theme().turn();
                return true;
            });
            written.add(bench(window, Bench.DERIVE, folder, "-night"));
            onWindow(() -> {
                window.close();
                return true;
            });
            Platform.exit();
            return written;
        } catch (IOException e) {
            throw new OutputFault(folder.toString(), "the pictures cannot be written", "choose another folder");
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            return written;
        }
    }

    private static Path sheet(Path casebook, Path folder) throws IOException {
        try (Casebook book = Casebook.open(casebook)) {
            Path file = folder.resolve("tone-sheet.html");
            Files.write(file, SheetFormat.HTML.write(CaseSheet.of(book, book.cases().get(0), Progress.NONE)));
            return file;
        }
    }

    private static Path gear(Window window, Path folder) throws IOException, InterruptedException {
        onWindow(() -> {
            if (window.scene().lookup("#my-gear") instanceof ButtonBase b) b.fire();
            return true;
        });
        waitUntilIdle(window.desk());
        // The player's own devices say most: the first is opened, and the list scrolled to it.
        onWindow(() -> {
            window.desk().rig().get().units().stream().findFirst()
                    .map(u -> window.scene().lookup("#device-" + u.name().replace(' ', '-')))
                    .ifPresent(n -> {
                        if (n instanceof ButtonBase b) b.fire();
                    });
            return true;
        });
        waitUntilIdle(window.desk());
        onWindow(() -> {
            Node at = window.scene().lookup("#device");
            while (at != null && !(at instanceof ScrollPane)) at = at.getParent();
            if (at instanceof ScrollPane list) list.setVvalue(list.getVmax());
            return true;
        });
        waitUntilIdle(window.desk());
        Path file = folder.resolve("gear.png");
        write(window, file);
        return file;
    }

    private static Path bench(Window window, Bench bench, Path folder, String suffix)
            throws IOException, InterruptedException {
        onWindow(() -> {
            window.desk().bench().set(bench);
            return true;
        });
        waitUntilIdle(window.desk());
        Path file = folder.resolve(bench.name().toLowerCase(Locale.ROOT) + suffix + ".png");
        write(window, file);
        return file;
    }

    /** What the window shows now, as a PNG file. Not on the window's thread. */
    public static void write(Window window, Path file) throws IOException {
        WritableImage shot = onWindow(() -> window.scene().snapshot(null));
        int w = (int) shot.getWidth();
        int h = (int) shot.getHeight();
        int[] pixels = new int[w * h];
        shot.getPixelReader().getPixels(0, 0, w, h, PixelFormat.getIntArgbInstance(), pixels, 0, w);
        BufferedImage image = new BufferedImage(w, h, BufferedImage.TYPE_INT_RGB);
        image.setRGB(0, 0, w, h, pixels, 0, w);
        ImageIO.write(image, "png", file.toFile());
    }

    /** Waits until no work is under way and everything has been laid out. */
    public static void waitUntilIdle(Desk desk) throws InterruptedException {
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(LONGEST_WAIT_S);
        int quiet = 0;
        while (quiet < 3 && System.nanoTime() < until) {
            quiet = onWindow(() -> desk.work().busy().get()) ? 0 : quiet + 1;
            Thread.sleep(60);
        }
    }

    /** Runs something on the window's thread and waits for it. */
    private static <T> T onWindow(Supplier<T> what) {
        CompletableFuture<T> result = new CompletableFuture<>();
        Platform.runLater(() -> {
            try {
                result.complete(what.get());
            } catch (RuntimeException e) {
                result.completeExceptionally(e);
            }
        });
        try {
            return result.get(LONGEST_WAIT_S, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        } catch (ExecutionException | java.util.concurrent.TimeoutException e) {
            throw new IllegalStateException(e);
        }
    }
}
