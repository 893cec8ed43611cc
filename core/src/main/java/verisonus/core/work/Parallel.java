package verisonus.core.work;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Future;

/** Work that is shared among workers and waited for. */
public final class Parallel {
    private Parallel() {}

    /** Runs all and waits; the first failure is thrown. @throws Cancelled where the waiting thread is interrupted */
    public static <T> List<T> all(List<Callable<T>> work, ExecutorService workers) {
        try {
            List<T> out = new ArrayList<>();
            for (Future<T> f : workers.invokeAll(work)) out.add(result(f));
            return out;
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Cancelled();
        }
    }

    /** Waits for one piece of work. @throws Cancelled where the waiting thread is interrupted */
    public static <T> T result(Future<T> work) {
        try {
            return work.get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new Cancelled();
        } catch (ExecutionException e) {
            if (e.getCause() instanceof RuntimeException r) throw r;
            throw new IllegalStateException(e.getCause());
        }
    }
}
