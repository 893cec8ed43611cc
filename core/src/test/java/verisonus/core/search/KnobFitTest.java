package verisonus.core.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Tone;
import verisonus.core.search.colour.Features;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.core.work.Progress;

/** Knobs turned downhill. */
class KnobFitTest {
    private static final ExecutorService WORKERS = Executors.newFixedThreadPool(2);
    private static final float[] DI = Signal.plucks(0.27, 21).atDb(-8).lasting(2).mid();
    private static final Tone TRUTH = new Tone("truth", List.of(
            Block.of("chiming edge").with("gain", 6.5).with("treble", 6), Block.of("2×12 open"),
            Block.of("dynamic microphone").with("position", 30).with("distance", 5)));
    private static final Objective OBJECTIVE = objective();

    @AfterAll
    static void end() {
        WORKERS.shutdownNow();
    }

    private static Objective objective() {
        Features wanted = Features.of(Renderer.renderMono(TRUTH, DI, Quality.DRAFT), 0, Sound.WORKING_RATE_HZ);
        double[] weight = new double[wanted.levelDb().length];
        Arrays.fill(weight, 1);
        return new Objective(new Objective.Question(DI, 0, wanted, wanted.levelDb(), Pairing.SAME_PERFORMANCE,
                OptionalDouble.empty(), List.of()),
                new LinearPart(new CurveDictionary(SearchOptions.defaults()), weight, 0.02), 2, 1,
                new AtomicInteger());
    }

    private static Objective.Point from(double gain) {
        Tone off = TRUTH.with(TRUTH.find("amp").orElseThrow().with("gain", gain));
        return OBJECTIVE.at(Knobs.of(off).orElseThrow(), Quality.DRAFT);
    }

    private static double knob(Objective.Point p, String control) {
        return p.knobs().values()[p.knobs().places().indexOf(ControlPlace.parse("amp/" + control))];
    }

    private static Objective.Point improved(Objective.Point start, Locks locked, KnobFit.Reach reach) {
        return new KnobFit(OBJECTIVE, locked, WORKERS, Progress.NONE, reach).improve(start, 8, Quality.DRAFT);
    }

    @Test
    void aGainThatWasTurnedAwayIsFoundAgain() {
        Objective.Point start = from(3);
        Objective.Point end = improved(start, Locks.NONE, KnobFit.Reach.WHOLE);
        assertThat(end.score()).isLessThan(0.3 * start.score());
        assertThat(knob(end, "gain")).isCloseTo(6.5, within(1.5));
    }

    @Test
    void whatIsLockedStaysAndTheRestStillImproves() {
        Objective.Point start = from(3);
        Objective.Point end = improved(start, Locks.of(ControlPlace.parse("amp/gain")), KnobFit.Reach.WHOLE);
        assertThat(knob(end, "gain")).isEqualTo(3);
        assertThat(end.score()).isLessThanOrEqualTo(start.score());
    }

    @Test
    void aModerateReachIsNotLeftAndWhatStoodFurtherOutMayStay() {
        Objective.Point end = improved(from(3), Locks.NONE, KnobFit.Reach.MODERATE);
        for (double v : end.knobs().values()) assertThat(v).isBetween(2.0, 8.0);
        assertThat(knob(improved(from(9.5), Locks.NONE, KnobFit.Reach.MODERATE), "gain")).isBetween(2.0, 9.5);
    }

    @Test
    void aCancelledFitGivesBackWhereItBegan() {
        Objective.Point start = from(3);
        Progress cancelled = new Progress() {
            @Override
            public void at(double done, String doing) {
                // Nobody watches.
            }

            @Override
            public boolean cancelled() {
                return true;
            }
        };
        assertThat(new KnobFit(OBJECTIVE, Locks.NONE, WORKERS, cancelled, KnobFit.Reach.WHOLE).improve(start, 8,
                Quality.DRAFT)).isSameAs(start);
    }
}
