package verisonus.desktop.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import verisonus.core.work.InputFault;

/** The window's thread is played by the test: it runs what was handed over when the test says so. */
class WorkTest {
    private final BlockingQueue<Runnable> handedOver = new LinkedBlockingQueue<>();
    private final Work work = new Work(handedOver::add);

    @AfterEach
    void close() {
        work.close();
    }

    private void runUntil(BooleanSupplier done) throws InterruptedException {
        long until = System.nanoTime() + TimeUnit.SECONDS.toNanos(10);
        while (!done.getAsBoolean() && System.nanoTime() < until) {
            Runnable next = handedOver.poll(100, TimeUnit.MILLISECONDS);
            if (next != null) next.run();
        }
        assertThat(done.getAsBoolean()).isTrue();
    }

    @Test
    void resultsArriveInOrderAndBusyEnds() throws InterruptedException {
        List<Integer> results = new ArrayList<>();
        for (int i = 0; i < 3; i++) {
            int n = i;
            work.run("piece", _ -> n, results::add);
        }
        assertThat(work.busy().get()).isTrue();
        runUntil(() -> results.size() == 3);
        assertThat(results).containsExactly(0, 1, 2);
        assertThat(work.busy().get()).isFalse();
    }

    @Test
    void progressIsShownInThePlayersWords() throws InterruptedException {
        CountDownLatch hold = new CountDownLatch(1);
        work.run("Deriving", p -> {
            p.at(0.5, "going downhill");
            try {
                hold.await();
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
            return 1;
        }, _ -> {});
        runUntil(() -> work.doing().get().equals("Deriving: going downhill"));
        assertThat(work.done().get()).isEqualTo(0.5);
        hold.countDown();
        runUntil(() -> !work.busy().get());
    }

    @Test
    void cancellingLeavesNoResultAndNoFault() throws InterruptedException {
        List<Integer> results = new ArrayList<>();
        CountDownLatch begun = new CountDownLatch(1);
        work.<Integer>run("long", p -> {
            begun.countDown();
            while (true) p.step(0.1, "still");
        }, results::add);
        begun.await();
        runUntil(() -> {
            work.cancel();
            return !work.busy().get();
        });
        assertThat(results).isEmpty();
        assertThat(work.fault().get()).isEmpty();
    }

    @Test
    void aFaultIsOneLineUntilItIsDismissed() throws InterruptedException {
        work.run("reading", _ -> {
            throw new InputFault("take.wav", "it is empty", "export it again");
        }, _ -> {});
        runUntil(() -> !work.fault().get().isEmpty());
        assertThat(work.fault().get()).isEqualTo("take.wav: it is empty; export it again");
        work.dismissFault();
        assertThat(work.fault().get()).isEmpty();
    }

    @Test
    void runningOutOfMemoryIsSaidAndTheWorkerGoesOn() throws InterruptedException {
        List<Integer> results = new ArrayList<>();
        work.<Integer>run("Opening a symphony", _ -> {
            throw new OutOfMemoryError("Java heap space");
        }, results::add);
        work.run("piece", _ -> 1, results::add);
        runUntil(() -> !results.isEmpty());
        assertThat(work.busy().get()).isFalse();
        assertThat(work.fault().get()).contains("Opening a symphony").contains("more memory").contains("shorter part");
    }

    @Test
    void whatEndsAfterTheWindowClosedTellsNothing() throws InterruptedException {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch ended = new CountDownLatch(1);
        work.run("Opening", _ -> {
            begun.countDown();
            try {
                new CountDownLatch(1).await();
            } catch (InterruptedException e) {
                ended.countDown();
            }
            throw new IllegalStateException("the casebook is closed");
        }, _ -> {});
        begun.await();
        handedOver.clear();
        work.close();
        assertThat(ended.await(10, TimeUnit.SECONDS)).isTrue();
        assertThat(handedOver.poll(300, TimeUnit.MILLISECONDS)).isNull();
    }
}
