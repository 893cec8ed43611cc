package verisonus.core.advise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
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
import verisonus.core.take.Pairing;
import verisonus.core.work.Progress;

/** What a turn is said to do, against what it does. */
class ControlEffectsTest {
    private static final Sound DI = Signal.plucks(0.3, 5).atDb(-10).lasting(2.5);
    private static final Tone TONE = new Tone("t", List.of(Block.of("mid-forward crunch").with("gain", 5),
            Block.of("2×12 open"), Block.of("dynamic microphone").with("position", 50),
            Block.of("parametric equalizer").with("peak 1", 3), Block.of("clean echo").switched(false)));
    private static final ExecutorService WORKERS = Executors.newFixedThreadPool(2);
    private static MoveJudge judge;
    private static List<ControlEffects.Effect> effects;

    @BeforeAll
    static void probe() {
        Evidence wanted = measured(TONE);
        judge = new MoveJudge(new NextMoves.Question(new ToneEvidence(wanted, Optional.empty(), Pairing.OTHER_PLAYING),
                DI, TONE, Rig.everything(), Locks.NONE, Set.of()), WORKERS);
        effects = new ControlEffects(TONE, judge, Locks.of(ControlPlace.parse("amp/treble"))).all(WORKERS);
    }

    @AfterAll
    static void stop() {
        WORKERS.shutdownNow();
    }

    private static Evidence measured(Tone t) {
        return Examination.of(Renderer.render(t, DI, Quality.FINAL, Progress.NONE), Examination.Depth.CONTROL,
                Progress.NONE);
    }

    private static ControlEffects.Effect of(String place) {
        return effects.stream().filter(e -> e.place().toString().equals(place)).findFirst().orElseThrow();
    }

    private static double level(Evidence e, double hz) {
        double[] centres = e.spectrum().bandCentresHz();
        int nearest = 0;
        for (int i = 0; i < centres.length; i++)
            if (Math.abs(Math.log(centres[i] / hz)) < Math.abs(Math.log(centres[nearest] / hz))) nearest = i;
        return e.spectrum().levelDb()[nearest];
    }

    /** Of one band against another: loudness is no matter here. */
    private static double tilt(Evidence e) {
        return level(e, 3150) - level(e, 500);
    }

    @Test
    void whatIsLockedOffOrAChoiceIsNotTurned() {
        assertThat(effects).extracting(e -> e.place().toString())
                .contains("amp/gain", "amp/bass", "microphone/position", "equalizer/peak 1")
                .doesNotContain("amp/treble", "echo/mix", "echo/time");
        assertThat(effects).allSatisfy(e -> assertThat(e.block().model().control(e.place().control()).isChoice())
                .isFalse());
    }

    @Test
    void behindTheClipperAnEffectIsKnownByItsCurve() {
        ControlEffects.Effect position = of("microphone/position");
        assertThat(position.isRough()).isFalse();
        for (double to : new double[]{0.1, 0.9}) {
            Tone turned = TONE.with(position.set(position.block(), to));
            assertThat(tilt(position.at(to)) - tilt(judge.now())).as("to " + to)
                    .isCloseTo(tilt(measured(turned)) - tilt(measured(TONE)), within(0.5));
        }
    }

    @Test
    void beforeTheClipperItIsProbedAndCalledRough() {
        ControlEffects.Effect gain = of("amp/gain");
        assertThat(gain.isRough()).isTrue();
        double now = judge.now().saturation().value().orElseThrow().index();
        assertThat(gain.at(0.2).saturation().value().orElseThrow().index()).isLessThan(now);
    }

    @Test
    void whereItStandsNothingChanges() {
        for (ControlEffects.Effect e : effects)
            assertThat(tilt(e.at(e.position()))).as(e.place().toString()).isCloseTo(tilt(judge.now()), within(0.01));
    }

    @Test
    void aTurnGoesToWhatAHandCanSet() {
        ControlEffects.Effect gain = of("amp/gain");
        Move.Turn turn = gain.turn(0.4137);
        assertThat(turn.to() * 10).isCloseTo(Math.rint(turn.to() * 10), within(1e-9));
        assertThat(turn.from()).isEqualTo(5);
        assertThat(gain.set(gain.block(), 2).get("gain")).isLessThanOrEqualTo(10);
    }
}
