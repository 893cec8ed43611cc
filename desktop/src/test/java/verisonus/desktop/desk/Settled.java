package verisonus.desktop.desk;

import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;
import javafx.util.Subscription;
import org.testfx.util.WaitForAsyncUtils;

/** A window in which nothing is going on any more. */
public final class Settled {
    private static final long LONGEST_S = 90;
    /** What the window does by the way asks for more now and then. */
    private static final int CALM = 3;

    private Settled() {}

    /** Returns when no work is left, and the window has done what was handed to it, some times in a row. */
    public static void of(Work work) {
        for (int calm = 0; calm < CALM;) calm = isIdle(work) ? calm + 1 : 0;
    }

    /** Whether nothing was going on; else waits for the end of what is. */
    private static boolean isIdle(Work work) {
        CompletableFuture<Boolean> end = new CompletableFuture<>();
        boolean idle = onWindow(work, end);
        if (idle) return true;
        try {
            return end.get(LONGEST_S, TimeUnit.SECONDS);
        } catch (InterruptedException | ExecutionException | TimeoutException e) {
            throw new AssertionError("still busy: " + WaitForAsyncUtils.waitForAsyncFx(1000, () -> work.doing().get()),
                    e);
        }
    }

    private static boolean onWindow(Work work, CompletableFuture<Boolean> end) {
        return WaitForAsyncUtils.waitForAsyncFx(60_000, () -> {
            if (!work.busy().get()) return true;
            Subscription[] told = new Subscription[1];
            told[0] = work.busy().subscribe((_, busy) -> {
                if (busy) return;
                told[0].unsubscribe();
                end.complete(false);
            });
            return false;
        });
    }
}
