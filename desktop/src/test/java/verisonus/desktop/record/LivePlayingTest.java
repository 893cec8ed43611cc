package verisonus.desktop.record;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.locks.LockSupport;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.demo.Guitarist;

class LivePlayingTest {
    private static final Tone CRUNCH = new Tone("crunch", List.of(Block.of("mid-forward crunch"),
            Block.of("2×12 closed"), Block.of("dynamic microphone")));
    private final List<RuntimeException> failures = new CopyOnWriteArrayList<>();
    private final LivePlaying live = new LivePlaying(new Inputs(take -> Guitarist.play("Glass Harbour", take), true,
            false), failures::add);

    @AfterEach
    void close() {
        live.close();
    }

    @Test
    void whatComesInIsHeardThroughTheToneAndStopsWhenAsked() {
        live.setLevelDb(-20);
        live.play(CRUNCH);
        assertThat(becomes(() -> live.peakDb() > -60)).as("heard").isTrue();
        live.pause();
        assertThat(becomes(() -> !live.isPlaying())).as("stopped").isTrue();
    }

    @Test
    void theLevelIsNeverAboveWhereItIsSet() {
        live.setLevelDb(-60);
        live.play(CRUNCH);
        assertThat(becomes(() -> live.peakDb() > -120)).isTrue();
        assertThat(live.peakDb()).isLessThan(-40);
    }

    @Test
    void anotherToneGoesOnWithoutAStop() {
        live.setLevelDb(-20);
        live.play(CRUNCH);
        assertThat(becomes(() -> live.peakDb() > -60)).isTrue();
        live.play(new Tone("clean", List.of(Block.of("open clean"))));
        assertThat(live.isPlaying()).isTrue();
        assertThat(live.latencyMs()).isBetween(5.0, 60.0);
    }

    @Test
    void anInputThatFailsEndsThePlayingAndIsTold() {
        RuntimeException gone = new IllegalStateException("gone");
        List<RuntimeException> told = new CopyOnWriteArrayList<>();
        try (LivePlaying broken = new LivePlaying(new Inputs(_ -> {
            throw gone;
        }, true, false), told::add)) {
            broken.play(CRUNCH);
            assertThat(becomes(() -> !told.isEmpty())).isTrue();
            assertThat(told).containsExactly(gone);
            assertThat(broken.isPlaying()).isFalse();
        }
        assertThat(failures).isEmpty();
    }

    private static boolean becomes(BooleanSupplier what) {
        for (int i = 0; i < 500; i++) {
            if (what.getAsBoolean()) return true;
            LockSupport.parkNanos(20_000_000);
        }
        return what.getAsBoolean();
    }

    @Test
    void aPlayWithinTheBlockOfAPausePlaysItsOwnTone() {
        live.setLevelDb(-20);
        for (int i = 0; i < 20; i++) {
            live.play(CRUNCH);
            assertThat(becomes(() -> live.peakDb() > -100)).isTrue();
            live.pause();
            live.play(new Tone("clean", List.of(Block.of("open clean"))));
            // A run without a tone would end at once.
            LockSupport.parkNanos(30_000_000);
            assertThat(live.isPlaying()).as("round " + i).isTrue();
            live.pause();
        }
        assertThat(failures).isEmpty();
    }
}
