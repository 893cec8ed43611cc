package verisonus.core.advise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import verisonus.core.compare.GapAttribute;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.ToneEvidence;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.take.MatchedTake;
import verisonus.core.take.Pairing;
import verisonus.core.work.Progress;

/** A tremolo that is too fast and too shallow, read with the take on both sides. */
class EffectMovesTest {
    private static final Sound DI = Signal.plucks(0.27, 21).atDb(-8).lasting(8);
    private static final Block SWAY = Block.of("bias tremolo").with("rate", 5).with("depth", 80);
    private static ExecutorService workers;
    private static NextMoves.Question question;
    private static MoveJudge judge;

    @BeforeAll
    static void measureBoth() {
        workers = Executors.newFixedThreadPool(2);
        Sound reference = Renderer.render(tone(SWAY), DI, Quality.FINAL, Progress.NONE);
        question = asking(reference, Locks.NONE);
        judge = new MoveJudge(question, workers);
    }

    @AfterAll
    static void stop() {
        workers.shutdownNow();
    }

    private static Tone tone(Block sway) {
        return new Tone("t", List.of(Block.of("open clean"), Block.of("2×12 open"), Block.of("ribbon microphone"),
                sway));
    }

    private static NextMoves.Question asking(Sound reference, Locks locked) {
        ToneEvidence about = ToneEvidence.of(new MatchedTake(reference, DI, Pairing.SAME_PERFORMANCE), Progress.NONE);
        return new NextMoves.Question(about, DI, tone(SWAY.with("rate", 6.5).with("depth", 40)), Rig.everything(),
                locked, Set.of());
    }

    @Test
    void rateAndDepthAreMovedToWhatWasRead() {
        List<Move> moves = new EffectMoves(question, judge).all();
        Move rate = moves.stream().filter(m -> m.what().endsWith("rate")).findFirst().orElseThrow();
        assertThat(rate.turned().get(0).to()).isCloseTo(5, within(0.05));
        assertThat(rate.gainJnd()).isPositive();
        Move depth = moves.stream().filter(m -> m.what().endsWith("depth")).findFirst().orElseThrow();
        assertThat(depth.turned().get(0).to()).isCloseTo(80, within(12.0));
        assertThat(depth.gainJnd()).isPositive();
    }

    @Test
    void theGapOfTheToneSpeaksOfTheMovement() {
        assertThat(judge.gap().find(GapAttribute.MOVEMENT_RATE).orElseThrow().audibility()).isGreaterThan(2);
        assertThat(judge.gap().find(GapAttribute.MOVEMENT_DEPTH).orElseThrow().audibility()).isGreaterThan(2);
    }

    @Test
    void aLockedControlIsNotMoved() {
        NextMoves.Question locked = new NextMoves.Question(question.reference(), DI, question.tone(), question.rig(),
                Locks.of(ControlPlace.parse("modulation/rate")), Set.of());
        assertThat(new EffectMoves(locked, judge).all()).extracting(Move::what).noneMatch(w -> w.endsWith("rate"));
    }
}
