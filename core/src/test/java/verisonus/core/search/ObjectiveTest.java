package verisonus.core.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.search.colour.Features;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;

class ObjectiveTest {
    private static final float[] DI = Signal.plucks(0.27, 21).atDb(-8).lasting(3).mid();
    private static final Tone TRUTH = new Tone("truth", List.of(
            Block.of("chiming edge").with("gain", 6).with("master", 4).with("treble", 6).with("sag", 3),
            Block.of("2×12 open"), Block.of("dynamic microphone").with("position", 30).with("distance", 5)));
    private static final CurveDictionary CURVES = new CurveDictionary(SearchOptions.defaults());

    private static Objective objective(Pairing pairing) {
        Features wanted = Features.of(Renderer.renderMono(TRUTH, DI, Quality.DRAFT), 0, Sound.WORKING_RATE_HZ);
        double[] weight = new double[wanted.levelDb().length];
        Arrays.fill(weight, 1);
        return new Objective(
                new Objective.Question(DI, 0, wanted, wanted.levelDb(), pairing, OptionalDouble.empty(), List.of()),
                new LinearPart(CURVES, weight, 0.02), 2, 1, new AtomicInteger());
    }

    private static double score(Objective o, Tone t) {
        return o.at(Knobs.of(t).orElseThrow(), Quality.DRAFT).score();
    }

    private static Tone turned(String control, double value) {
        return TRUTH.with(TRUTH.find("amp").orElseThrow().with(control, value));
    }

    @ParameterizedTest
    @EnumSource(Pairing.class)
    void nothingIsNearerThanTheTruth(Pairing pairing) {
        Objective o = objective(pairing);
        double least = score(o, TRUTH);
        // Of other playing the colour is only roughly known, and the box can stand in for the treble.
        List<String> told = pairing.isSamePhrase() ? List.of("gain", "master", "treble") : List.of("gain");
        for (String control : told) {
            double at = TRUTH.find("amp").orElseThrow().get(control);
            assertThat(score(o, turned(control, at + 3.5))).as(control).isGreaterThan(least);
            assertThat(score(o, turned(control, at - 3.5))).as(control).isGreaterThan(least);
        }
    }

    @ParameterizedTest
    @CsvSource({"gain, 6, 7, 9", "gain, 6, 5, 2", "master, 4, 5.5, 9"})
    void furtherOffIsFurtherOff(String control, double truth, double near, double far) {
        Objective o = objective(Pairing.SAME_PERFORMANCE);
        assertThat(score(o, turned(control, near))).isBetween(score(o, turned(control, truth)),
                score(o, turned(control, far)));
    }

    @Test
    void theBoxThatMadeItIsFoundWithoutARender() {
        AtomicInteger renders = new AtomicInteger();
        Features wanted = Features.of(Renderer.renderMono(TRUTH, DI, Quality.DRAFT), 0, Sound.WORKING_RATE_HZ);
        double[] weight = new double[wanted.levelDb().length];
        Arrays.fill(weight, 1);
        Objective o = new Objective(new Objective.Question(DI, 0, wanted, wanted.levelDb(), Pairing.SAME_PERFORMANCE,
                OptionalDouble.empty(),
                List.of()), new LinearPart(CURVES, weight, 0.02), 2, 1, renders);
        Objective.Point p = o.at(Knobs.of(TRUTH).orElseThrow(), Quality.DRAFT);
        assertThat(renders.get()).isEqualTo(1);
        assertThat(CURVES.entry(p.curve()).cabinet().orElseThrow().model().name()).isEqualTo("2×12 open");
        int other = (p.curve() + CURVES.size() / 2) % CURVES.size();
        assertThat(o.with(p, other).score()).isGreaterThan(p.score());
        assertThat(renders.get()).isEqualTo(1);
    }

    @Test
    void theScoreIsTheSumOfTheSquaresOfItsResiduals() {
        Objective.Point p = objective(Pairing.SAME_PERFORMANCE).at(Knobs.of(turned("gain", 3)).orElseThrow(),
                Quality.DRAFT);
        assertThat(Arrays.stream(p.residuals()).map(v -> v * v).sum()).isCloseTo(p.score(), within(1e-9));
    }

    @Test
    void aWeakerWeightOfTheEnvelopeForgivesTheGainSooner() {
        Objective o = objective(Pairing.SAME_PERFORMANCE);
        Tone less = turned("gain", 2);
        double strong = score(o, less) - score(o, TRUTH);
        Objective weak = o.weighing(0.1);
        assertThat(score(weak, less) - score(weak, TRUTH)).isLessThan(strong);
    }

    @Test
    void smoothingKeepsAConstantAndTakesTheEdgeOffAStep() {
        double[] flat = new double[30];
        Arrays.fill(flat, 4);
        for (double v : Objective.smoothed(flat)) assertThat(v).isCloseTo(4, within(1e-9));
        double[] step = new double[30];
        for (int b = 15; b < 30; b++) step[b] = 10;
        double[] soft = Objective.smoothed(step);
        for (int b = 1; b < 30; b++) assertThat(soft[b]).isGreaterThanOrEqualTo(soft[b - 1]);
        assertThat(soft[15] - soft[14]).isLessThan(3);
    }
}
