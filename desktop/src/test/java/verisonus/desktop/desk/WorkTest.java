package verisonus.desktop.desk;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import java.util.function.Function;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/** The window's thread is played by the test: it runs what was handed over when the test says so. */
class WorkTest {
    private final BlockingQueue<Runnable> handedOver = new LinkedBlockingQueue<>();
    private final Work work = new Work(handedOver::add);

    @AfterEach
    void close() {
        work.close();
    }

    private <T> void run(String title, Function<Progress, T> doing, Consumer<T> result) {
        piece(title, doing, Owner.BOOK).show(result);
    }

    private <T> Piece<T> piece(String title, Function<Progress, T> doing, Owner owner) {
        return new Piece<>(work, title, doing, owner, () -> {});
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
            run("piece", _ -> n, results::add);
        }
        assertThat(work.busy().get()).isTrue();
        runUntil(() -> results.size() == 3);
        assertThat(results).containsExactly(0, 1, 2);
        assertThat(work.busy().get()).isFalse();
    }

    @Test
    void progressIsShownInThePlayersWords() throws InterruptedException {
        CountDownLatch hold = new CountDownLatch(1);
        run("Deriving", p -> {
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
        this.<Integer>run("long", p -> {
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
        run("reading", _ -> {
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
        this.<Integer>run("Opening a symphony", _ -> {
            throw new OutOfMemoryError("Java heap space");
        }, results::add);
        run("piece", _ -> 1, results::add);
        runUntil(() -> !results.isEmpty());
        assertThat(work.busy().get()).isFalse();
        assertThat(work.fault().get()).contains("Opening a symphony").contains("more memory").contains("shorter part");
    }

    @Test
    void whatEndsAfterTheWindowClosedTellsNothing() throws InterruptedException {
        CountDownLatch begun = new CountDownLatch(1);
        CountDownLatch ended = new CountDownLatch(1);
        run("Opening", _ -> {
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

    /** An owner that a test puts out of sight or takes away. */
    private static final class Held implements Owner {
        private final AtomicBoolean there = new AtomicBoolean(true);
        private final AtomicBoolean shown = new AtomicBoolean(true);

        @Override
        public boolean isThere() { return there.get(); }

        @Override
        public boolean isShown() { return shown.get(); }
    }

    @Test
    void anErrorOfTheProgramIsSaidAndTheStripIsFreeAgain() throws InterruptedException {
        List<Piece.Unfinished> why = new ArrayList<>();
        piece("Deriving", _ -> {
            throw new StackOverflowError();
        }, Owner.BOOK).otherwise(why::add).begin();
        runUntil(() -> !why.isEmpty());
        assertThat(work.busy().get()).isFalse();
        assertThat(work.fault().get()).contains("Deriving").contains("a fault of this program");
        assertThat(why).containsExactly(Piece.Unfinished.AT_FAULT);
    }

    @Test
    void aPieceBeginsOnWhatTheOneBeforeItHasLeft() throws InterruptedException {
        List<Integer> kept = new ArrayList<>(List.of(0));
        for (int i = 0; i < 4; i++) piece("turn", _ -> kept.getLast() + 1, Owner.BOOK).keep(kept::add).begin();
        runUntil(() -> kept.size() == 5);
        assertThat(kept).containsExactly(0, 1, 2, 3, 4);
    }

    @Test
    void whatIsOutOfSightIsKeptAndNotShown() throws InterruptedException {
        Held owner = new Held();
        List<String> done = new ArrayList<>();
        piece("turn", _ -> {
            owner.shown.set(false);
            return "it";
        }, owner).keep(r -> done.add("kept " + r)).show(r -> done.add("shown " + r));
        runUntil(() -> !work.busy().get());
        assertThat(done).containsExactly("kept it");
    }

    @Test
    void whatIsOnlyShownIsGivenUpWhereNobodyLooks() throws InterruptedException {
        Held owner = new Held();
        List<Object> done = new ArrayList<>();
        piece("draw", p -> {
            owner.shown.set(false);
            p.step(0.5, "drawing on");
            return "it";
        }, owner).otherwise(done::add).show(done::add);
        runUntil(() -> !done.isEmpty());
        assertThat(done).containsExactly(Piece.Unfinished.OVERTAKEN);
    }

    @Test
    void whatNobodyLooksAtIsNotEvenBegun() throws InterruptedException {
        Held owner = new Held();
        owner.shown.set(false);
        AtomicBoolean begun = new AtomicBoolean();
        List<Object> done = new ArrayList<>();
        piece("draw", _ -> begun.getAndSet(true), owner).otherwise(done::add).show(done::add);
        runUntil(() -> !done.isEmpty());
        assertThat(begun).isFalse();
        assertThat(done).containsExactly(Piece.Unfinished.OVERTAKEN);
    }

    @Test
    void whatHasNoOwnerAnyMoreIsNotKept() throws InterruptedException {
        Held owner = new Held();
        List<Object> done = new ArrayList<>();
        piece("turn", _ -> {
            owner.there.set(false);
            return "it";
        }, owner).keep(done::add).otherwise(done::add).show(done::add);
        runUntil(() -> !done.isEmpty());
        assertThat(done).containsExactly(Piece.Unfinished.OVERTAKEN);
    }

    @Test
    void aCancelledPieceSaysSo() throws InterruptedException {
        List<Object> done = new ArrayList<>();
        CountDownLatch begun = new CountDownLatch(1);
        piece("long", p -> {
            begun.countDown();
            while (true) p.step(0.1, "still");
        }, Owner.BOOK).otherwise(done::add).show(done::add);
        begun.await();
        runUntil(() -> {
            work.cancel();
            return !done.isEmpty();
        });
        assertThat(done).containsExactly(Piece.Unfinished.CANCELLED);
    }
}
