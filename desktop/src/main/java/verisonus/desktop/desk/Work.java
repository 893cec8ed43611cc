package verisonus.desktop.desk;

import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executor;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
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
    /** Progress is shown 25 times a second, as smooth as the eye asks. */
    private static final long SHOWN_EVERY_NANOS = 40_000_000L;
    /** From this share on, the time that is left can be told from what has passed. */
    private static final double TELLING_SHARE = 0.05;

    private final Executor window;
    private final ExecutorService worker = Executors.newSingleThreadExecutor(r -> daemon(r, "work"));
    private final ExecutorService helpers = Executors
            .newFixedThreadPool(Math.max(1, Runtime.getRuntime().availableProcessors()), r -> daemon(r, "helper"));
    private final ReadOnlyBooleanWrapper busy = new ReadOnlyBooleanWrapper();
    private final ReadOnlyStringWrapper doing = new ReadOnlyStringWrapper("");
    private final ReadOnlyDoubleWrapper done = new ReadOnlyDoubleWrapper();
    private final ReadOnlyStringWrapper remaining = new ReadOnlyStringWrapper("");
    private final ReadOnlyStringWrapper fault = new ReadOnlyStringWrapper("");
    private @Nullable Running current;
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

    /** A piece that runs; its progress is shown meanwhile. */
    private final class Running implements Progress {
        private final Piece<?> piece;
        private final long startedNanos = System.nanoTime();
        private volatile boolean cancelled;
        private long shownNanos;

        Running(Piece<?> piece) {
            this.piece = piece;
        }

        @Override
        public void at(double share, String what) {
            long now = System.nanoTime();
            if (now - shownNanos < SHOWN_EVERY_NANOS && share < 1) return;
            shownNanos = now;
            double seconds = (now - startedNanos) / 1e9;
            double left = share > TELLING_SHARE ? seconds * (1 - share) / share : 0;
            window.execute(() -> {
                doing.set(piece.title() + ": " + what);
                done.set(share);
                remaining.set(left > 1 ? Figures.of("about %.0f s left", Math.ceil(left)) : "");
            });
        }

        @Override
        public boolean cancelled() {
            return cancelled || piece.isIdle();
        }
    }

    /** Queues a piece of work. */
    <T> void take(Piece<T> piece) {
        waiting++;
        busy.set(true);
        Future<?> ignored = worker.submit(() -> applied(ended(piece)));
    }

    /** Does a piece on the worker. @return what is to be done about it on the window's thread */
    private <T> Runnable ended(Piece<T> piece) {
        if (piece.isIdle()) return () -> piece.unfinished(Piece.Unfinished.OVERTAKEN);
        Running running = new Running(piece);
        window.execute(() -> begin(running));
        try {
            T result = piece.done(running);
            return () -> piece.finished(result);
        } catch (Cancelled e) {
            return () -> piece.unfinished(
                    piece.isIdle() ? Piece.Unfinished.OVERTAKEN : Piece.Unfinished.CANCELLED);
        } catch (OutOfMemoryError e) {
            // What it held is free again; the worker goes on with the next piece.
            return atFault(piece, new InputFault(piece.title(), "it takes more memory than the program may use",
                    "mark a shorter part, close other programs, or give more with JAVA_TOOL_OPTIONS=-Xmx4g", e));
        } catch (InputFault | OutputFault e) {
            return atFault(piece, e);
        } catch (RuntimeException e) {
            if (!worker.isShutdown()) LOG.warn("{} failed", piece.title(), e);
            return atFault(piece, e);
        } catch (Error e) {
            LOG.error("{} failed", piece.title(), e);
            return atFault(piece, new IllegalStateException(
                    piece.title() + ": a fault of this program (" + e + "); what was kept is safe", e));
        }
    }

    private Runnable atFault(Piece<?> piece, RuntimeException e) {
        return () -> {
            tell(e);
            piece.unfinished(Piece.Unfinished.AT_FAULT);
        };
    }

    /**
     * Hands an ending to the window's thread and waits until it is done: the next piece begins on what this one has left, never on
     * what stood before.
     */
    private void applied(Runnable ending) {
        // What was still under way when the window closed finds its casebook closed too.
        if (worker.isShutdown()) return;
        CountDownLatch applied = new CountDownLatch(1);
        window.execute(() -> {
            try {
                ending.run();
            } finally {
                // Last, so that what an ending begins follows without a moment of rest.
                end();
                applied.countDown();
            }
        });
        try {
            applied.await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void begin(Running running) {
        current = running;
        doing.set(running.piece.title());
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
