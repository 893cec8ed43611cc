package verisonus.core.work;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;

class ParallelTest {
    private final ExecutorService workers = Executors.newFixedThreadPool(2);

    @AfterEach
    void stop() {
        workers.shutdownNow();
    }

    @Test
    void answersComeInTheOrderOfTheQuestions() {
        List<Callable<Integer>> work = IntStream.range(0, 50).<Callable<Integer>>mapToObj(i -> () -> i * i).toList();
        assertThat(Parallel.all(work, workers)).isEqualTo(IntStream.range(0, 50).mapToObj(i -> i * i).toList());
    }

    @Test
    void theWorkersWorkAtTheSameTime() {
        CountDownLatch both = new CountDownLatch(2);
        Callable<Boolean> meets = () -> {
            both.countDown();
            both.await();
            return true;
        };
        assertThat(Parallel.all(List.of(meets, meets), workers)).containsExactly(true, true);
    }

    @Test
    void aFaultComesOutAsItWas() {
        InputFault fault = new InputFault("a.wav", "it is no sound", "choose another");
        Callable<Integer> fails = () -> {
            throw fault;
        };
        assertThatThrownBy(() -> Parallel.all(List.of(() -> 1, fails), workers)).isSameAs(fault);
    }

    @Test
    void aCheckedFaultIsWrappedWithItsCause() {
        Exception cause = new Exception("disk");
        assertThatThrownBy(() -> Parallel.result(CompletableFuture.failedFuture(cause)))
                .isInstanceOf(IllegalStateException.class).hasCause(cause);
    }

    @Test
    void whoIsInterruptedWhileWaitingIsCancelledAndStaysInterrupted() {
        Thread.currentThread().interrupt();
        try {
            assertThatThrownBy(() -> Parallel.result(new CompletableFuture<>())).isInstanceOf(Cancelled.class);
            assertThat(Thread.currentThread().isInterrupted()).isTrue();
        } finally {
            assertThat(Thread.interrupted()).isTrue();
        }
    }

    @Test
    void nothingToDoIsDone() {
        assertThat(Parallel.all(List.<Callable<Integer>>of(), workers)).isEmpty();
    }
}
