package verisonus.core.search.unexplained;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import verisonus.core.evidence.replay.ReplayExamination;
import verisonus.core.rig.Block;
import verisonus.core.rig.MixLaw;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/** Notes that are stopped for as long as they sound, by two hands; the first in a space or not. */
class ClosingSpaceTest {
    private static final double EVERY_S = 0.45;
    private static final double SOUNDS_S = 0.35;
    /** Which notes are struck: at uneven times, so that what rings cannot pass for the next. */
    private static final String STRUCK = "10000010000100000001";
    private static final Block HALL = Block.of("plain hall").with("pre-delay", 15);
    private static final Sound RECORD = stopped(1);
    private static final Sound REPLAY = stopped(4);
    private static ExecutorService workers;

    @BeforeAll
    static void hire() {
        workers = Executors.newFixedThreadPool(2);
    }

    @AfterAll
    static void dismiss() {
        workers.shutdown();
    }

    private static Sound stopped(long hand) {
        float[] x = Signal.plucks(EVERY_S, 21, hand).atDb(-8).lasting(14).mid();
        return Sound.mono(Signal.array(x.length, i -> {
            if (STRUCK.charAt((int) (i / 48000.0 / EVERY_S) % STRUCK.length()) == '0') return 0;
            double u = i / 48000.0 % EVERY_S;
            return x[i] * Math.clamp((SOUNDS_S - u) / 0.03, 0, 1);
        }), 48000);
    }

    private static Sound inAHall(Sound dry, double decayS, double db) {
        Block hall = HALL.with("decay", decayS).with("mix", MixLaw.of(HALL).percentFor(db));
        return Renderer.render(new Tone("hall", List.of(hall)), dry, Quality.DRAFT, Progress.NONE);
    }

    private static Optional<Block> closing(Sound record, Sound soFar, double heardS) {
        ReplayExamination.Setting setting = new ReplayExamination.Setting(false, OptionalDouble.empty(), _ -> true,
                OptionalDouble.empty());
        return new ClosingSpace(record, REPLAY, soFar, setting, workers).of(HALL, heardS);
    }

    @Test
    void aHallThatRingsOnAfterAllNotesIsClosedByOneLikeIt() {
        Block found = closing(inAHall(RECORD, 3, -9), REPLAY, 2).orElseThrow();
        assertThat(found.get("decay")).isBetween(2.0, 3.0);
        double mostMix = MixLaw.of(HALL).percentFor(-5);
        double leastMix = MixLaw.of(HALL).percentFor(-14.5);
        assertThat(found.get("mix")).isBetween(leastMix, mostMix);
        assertThat(found.get("pre-delay")).isEqualTo(15);
    }

    @Test
    void aDryRecordIsLeftDry() {
        assertThat(closing(RECORD, REPLAY, 2)).isEmpty();
    }

    @Test
    void whatTheToneHasAlreadyIsNotPutInAgain() {
        assertThat(closing(inAHall(RECORD, 3, -9), inAHall(REPLAY, 3, -9), 2)).isEmpty();
    }

    @Test
    void whereNoNoteStopsNothingIsClosed() {
        Sound ringing = Signal.plucks(0.25, 33, 4).atDb(-8).lasting(10);
        ReplayExamination.Setting setting = new ReplayExamination.Setting(false, OptionalDouble.empty(), _ -> true,
                OptionalDouble.empty());
        assertThat(new ClosingSpace(Signal.plucks(0.25, 33, 1).atDb(-8).lasting(10), ringing, ringing, setting, workers)
                .of(HALL, 2)).isEmpty();
    }
}
