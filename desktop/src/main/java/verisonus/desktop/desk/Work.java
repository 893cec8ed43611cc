package verisonus.desktop.desk;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.function.Consumer;
import java.util.function.Function;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyDoubleWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import verisonus.core.work.Cancelled;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.OutputFault;
import verisonus.core.work.Progress;

/**
 * Long work, one piece after another, off the window's thread: shows what is done, how far it has come and how long it will
 * take, and can be cancelled. Results and faults arrive on the window's thread.
 */
public final class Work implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(Work.class);

    private final Executor window;
    private final ExecutorService worker = Executors.newSingleThreadExecutor(r -> daemon(r, "work"));
    private final ExecutorService helpers = Executors
            .newFixedThreadPool(Math.max(1, Runtime.getRuntime().availableProcessors()), r -> daemon(r, "helper"));
    private final ReadOnlyBooleanWrapper busy = new ReadOnlyBooleanWrapper();
    private final ReadOnlyStringWrapper doing = new ReadOnlyStringWrapper("");
    private final ReadOnlyDoubleWrapper done = new ReadOnlyDoubleWrapper();
    private final ReadOnlyStringWrapper remaining = new ReadOnlyStringWrapper("");
    private final ReadOnlyStringWrapper fault = new ReadOnlyStringWrapper("");
    private @Nullable Piece current;
    private int waiting;

    /** @param window runs things on the window's thread */
    public Work(Executor window) {
        this(window, new CountDownLatch(0));
    }

    /** @param gate nothing is worked on before it opens, so that a window that is coming up has the machine to itself */
    public Work(Executor window, CountDownLatch gate) {
        this.window = window;
        Future<?> ignored = worker.submit(() -> {
            try {
                gate.await();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        });
    }

    private static Thread daemon(Runnable r, String name) {
        Thread t = new Thread(r, name);
        t.setDaemon(true);
        return t;
    }

    /** One piece of work; its progress is shown while it runs. */
    private final class Piece implements Progress {
        private final String title;
        private volatile boolean cancelled;
        private long startedNanos;
        private long shownNanos;

        Piece(String title) {
            this.title = title;
        }

        @Override
        public void at(double share, String what) {
            long now = System.nanoTime();
            if (now - shownNanos < 40_000_000L && share < 1) return;
            shownNanos = now;
            double seconds = (now - startedNanos) / 1e9;
            double left = share > 0.05 ? seconds * (1 - share) / share : 0;
            window.execute(() -> {
                doing.set(title + ": " + what);
                done.set(share);
                remaining.set(left > 1 ? Figures.of("about %.0f s left", Math.ceil(left)) : "");
            });
        }

        @Override
        public boolean cancelled() {
            return cancelled;
        }
    }

    /**
     * Queues a piece of work.
     *
     * @param title what it is, in the player's words
     * @param work runs off the window's thread
     * @param result takes what came of it on the window's thread; not called after a fault or a cancel
     */
    public <T> void run(String title, Function<Progress, T> work, Consumer<T> result) {
        Piece piece = new Piece(title);
        waiting++;
        busy.set(true);
        Future<?> ignored = worker.submit(() -> {
            piece.startedNanos = System.nanoTime();
            window.execute(() -> begin(piece));
            try {
                T value = work.apply(piece);
                window.execute(() -> {
                    end();
                    result.accept(value);
                });
            } catch (Cancelled e) {
                window.execute(this::end);
            } catch (OutOfMemoryError e) {
                // What it held is free again; the worker goes on with the next piece.
                window.execute(() -> {
                    end();
                    tell(new InputFault(title, "it takes more memory than the program may use",
                            "mark a shorter part, close other programs, or give more with JAVA_TOOL_OPTIONS=-Xmx4g",
                            e));
                });
            } catch (RuntimeException e) {
                // What was still under way when the window closed finds its casebook closed too.
                if (worker.isShutdown()) return;
                boolean ours = !(e instanceof InputFault || e instanceof OutputFault);
                if (ours) LOG.warn("{} failed", title, e);
                window.execute(() -> {
                    end();
                    tell(e);
                });
            }
        });
    }

    private void begin(Piece piece) {
        current = piece;
        doing.set(piece.title);
        done.set(0);
        remaining.set("");
    }

    private void end() {
        current = null;
        waiting--;
        if (waiting == 0) busy.set(false);
        doing.set("");
    }

    /** Asks the running piece to stop at its next safe point. */
    public void cancel() {
        if (current != null) current.cancelled = true;
    }

    /** Does something on the window's thread, soon. */
    public void onWindow(Runnable what) {
        window.execute(what);
    }

    /** Shows a fault until it is dismissed. */
    public void tell(RuntimeException e) {
        String message = e.getMessage();
        fault.set(message == null ? e.toString() : message);
    }

    public void dismissFault() {
        fault.set("");
    }

    /** Threads for work that can be shared out. */
    public ExecutorService helpers() {
        return helpers;
    }

    public ReadOnlyBooleanProperty busy() {
        return busy.getReadOnlyProperty();
    }

    public ReadOnlyStringProperty doing() {
        return doing.getReadOnlyProperty();
    }

    public ReadOnlyDoubleProperty done() {
        return done.getReadOnlyProperty();
    }

    public ReadOnlyStringProperty remaining() {
        return remaining.getReadOnlyProperty();
    }

    /** What went wrong, in one line; empty where nothing did. */
    public ReadOnlyStringProperty fault() {
        return fault.getReadOnlyProperty();
    }

    @Override
    public void close() {
        cancel();
        worker.shutdownNow();
        helpers.shutdownNow();
    }
}
