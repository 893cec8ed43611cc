package verisonus.core.search;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Tone;
import verisonus.core.search.colour.Features;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;

/** How far a setting moves before it is heard. */
class SensitivityReportTest {
    private static final ExecutorService WORKERS = Executors.newFixedThreadPool(2);
    private static final float[] DI = Signal.plucks(0.27, 21).atDb(-8).lasting(2).mid();
    private static final Tone TONE = new Tone("t", List.of(
            Block.of("chiming edge").with("gain", 6).with("treble", 6).with("sag", 3).with("master", 4),
            Block.of("2×12 open"), Block.of("dynamic microphone").with("position", 30).with("distance", 5)));
    private static SensitivityReport.Found found;

    @BeforeAll
    static void find() {
        Features wanted = Features.of(Renderer.renderMono(TONE, DI, Quality.DRAFT), 0, Sound.WORKING_RATE_HZ);
        double[] weight = new double[wanted.levelDb().length];
        Arrays.fill(weight, 1);
        Objective o = new Objective(new Objective.Question(DI, 0, wanted, wanted.levelDb(), Pairing.SAME_PERFORMANCE,
                OptionalDouble.empty(), List.of()),
                new LinearPart(new CurveDictionary(SearchOptions.defaults()), weight, 0.02), 2, 1,
                new AtomicInteger());
        found = new SensitivityReport(o, WORKERS, weight).of(o.at(Knobs.of(TONE).orElseThrow(), Quality.DRAFT), TONE);
    }

    @AfterAll
    static void end() {
        WORKERS.shutdownNow();
    }

    private static Tolerance of(String block, String control) {
        return found.tolerances().stream().filter(t -> t.block().equals(block) && t.control().equals(control))
                .findFirst().orElseThrow();
    }

    private static double width(Tolerance t) {
        Control c = TONE.find(t.block()).orElseThrow().model().control(t.control());
        return c.position(t.high()) - c.position(t.low());
    }

    @Test
    void everyBracketHoldsItsValueAndStaysOnTheScale() {
        assertThat(found.tolerances()).isNotEmpty().allSatisfy(t -> {
            Control c = TONE.find(t.block()).orElseThrow().model().control(t.control());
            assertThat(t.low()).as(t.control()).isLessThanOrEqualTo(t.value()).isGreaterThanOrEqualTo(c.minimum());
            assertThat(t.high()).as(t.control()).isGreaterThanOrEqualTo(t.value()).isLessThanOrEqualTo(c.maximum());
        });
    }

    @Test
    void whatIsHeardLessMayMoveFurther() {
        assertThat(width(of("amp", "gain"))).isLessThan(width(of("amp", "sag")));
    }

    @Test
    void everyBracketSaysWhatItRestsOn() {
        assertThat(found.tolerances()).allSatisfy(t -> assertThat(t.why()).isNotBlank());
    }

    @Test
    void theMicrophonesPlaceIsKnownWithoutARender() {
        assertThat(width(of("microphone", "position"))).isBetween(0.01, 1.0);
    }
}
