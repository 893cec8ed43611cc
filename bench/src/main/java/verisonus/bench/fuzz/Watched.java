package verisonus.bench.fuzz;

import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import verisonus.core.work.InputFault;

/**
 * One try at reading something, on a thread of its own: what came of it, how long it took and what it allocated. A try that does
 * not end is left behind.
 *
 * @param outcome what came of it
 * @param what the fault's text, or what was thrown
 */
record Watched(Outcome outcome, String what, double seconds, long bytes) {
    enum Outcome {
        READ,
        REFUSED,
        THREW,
        ENDLESS
    }

    private static final ThreadMXBean THREADS = (ThreadMXBean) ManagementFactory.getThreadMXBean();

    static Watched reading(Runnable read, double longestS) {
        CountDownLatch done = new CountDownLatch(1);
        AtomicReference<Watched> result = new AtomicReference<>(new Watched(Outcome.ENDLESS, "", longestS, 0));
        Thread worker = new Thread(() -> {
            long started = System.nanoTime();
            long before = THREADS.getCurrentThreadAllocatedBytes();
            Outcome outcome = Outcome.READ;
            String what = "";
            try {
                read.run();
            } catch (InputFault e) {
                outcome = Outcome.REFUSED;
                what = String.valueOf(e.getMessage());
            } catch (RuntimeException | Error e) {
                outcome = Outcome.THREW;
                what = e.toString();
            }
            result.set(new Watched(outcome, what, (System.nanoTime() - started) / 1e9,
                    THREADS.getCurrentThreadAllocatedBytes() - before));
            done.countDown();
        }, "fuzz");
        worker.setDaemon(true);
        worker.start();
        try {
            if (!done.await((long) (longestS * 1000), TimeUnit.MILLISECONDS)) {
                StackTraceElement[] at = worker.getStackTrace();
                return new Watched(Outcome.ENDLESS, at.length == 0 ? "" : at[0] + " < " + (at.length > 2 ? at[2] : ""),
                        longestS, 0);
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return result.get();
    }
}
