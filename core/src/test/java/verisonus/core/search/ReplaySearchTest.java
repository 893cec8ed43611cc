package verisonus.core.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import verisonus.core.compare.EffectsAsSet;
import verisonus.core.compare.GapAttribute;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.core.work.Progress;

/** From a take that another hand has played: the case that every player has. */
class ReplaySearchTest {
    private static final Rig SMALL = new Rig(List.of(), Map.of("open clean", 1, "tight saturated", 1, "2×12 open", 1,
            "dynamic microphone", 1, "parametric equalizer", 1, "clean echo", 1, "plain hall", 1, "bias tremolo", 1),
            Map.of(),
            9);
    private static final Sound THEIRS = Signal.plucks(0.43, 21, 1).atDb(-8).lasting(9);
    private static final Sound MINE = Signal.plucks(0.43, 21, 5).atDb(-8).lasting(9);
    private static final Tone DRY = new Tone("dry", List.of(Block.of("tight saturated").with("gain", 4.6),
            Block.of("2×12 open"), Block.of("dynamic microphone")));
    private static ExecutorService workers;
    private static Derivation wet;

    @BeforeAll
    static void search() {
        workers = Executors.newFixedThreadPool(2);
        wet = derived(recorded(
                DRY.inserted(Block.of("clean echo").with("time", 390).with("mix", 20).with("feedback", 30), 3)));
    }

    @AfterAll
    static void stop() {
        workers.shutdown();
    }

    private static Sound recorded(Tone tone) {
        return Renderer.render(tone, THEIRS, Quality.SEARCH, Progress.NONE);
    }

    private static Derivation derived(Sound reference) {
        return new ToneSearch(reference, MINE, SearchOptions.defaults().withRig(SMALL), workers, Progress.NONE).run();
    }

    private static ReplayCore core(Sound reference) {
        return new ReplayCore(reference.mid(), List.of(MINE.mid()), 0, SearchOptions.defaults().withRig(SMALL), workers,
                new AtomicInteger());
    }

    @Test
    void theTakeIsKnownForAReplay() {
        assertThat(wet.pairing()).isEqualTo(Pairing.PLAYED_AGAIN);
    }

    @Test
    void theEchoOfTheRecordStandsInTheTone() {
        Block echo = wet.tone().first(GearKind.ECHO).orElseThrow();
        assertThat(echo.get(ControlNames.TIME)).isCloseTo(390, within(5.0));
        assertThat(wet.verdict().missing()).isEmpty();
    }

    @Test
    void toneControlsStayInTheMiddleAndTheDroopAsUsual() {
        Block amp = wet.tone().first(GearKind.AMP).orElseThrow();
        for (String c : List.of(ControlNames.BASS, ControlNames.MID, ControlNames.TREBLE))
            assertThat(amp.get(c)).as(c).isBetween(2.0, 8.0);
        assertThat(amp.get(ControlNames.SAG)).isEqualTo(3);
    }

    @Test
    void whatTheHandMakesIsNotTheGears() {
        assertThat(wet.gap().rows()).filteredOn(r -> GapAttribute.OF_THE_HAND.contains(r.attribute()))
                .allSatisfy(r -> assertThat(r.ofTone()).isFalse());
    }

    @Test
    void theUnexplainedRestStandsInTheLedger() {
        assertThat(wet.gap().rows()).extracting(r -> r.stage()).contains("rest");
    }

    @Test
    void aDirtyCoreIsToldFromACleanOne() {
        assertThat(core(recorded(DRY)).ranked(List.of(), Progress.NONE).get(0).knobs().ampName())
                .isEqualTo("tight saturated");
        Tone clean = new Tone("clean", List.of(Block.of("open clean").with("gain", 3), Block.of("2×12 open"),
                Block.of("dynamic microphone")));
        assertThat(core(recorded(clean)).ranked(List.of(), Progress.NONE).get(0).knobs().ampName())
                .isEqualTo("open clean");
    }

    @Test
    void severalTakesCountAlikeAndOneTwiceIsTheSameAsOnce() {
        float[] record = recorded(DRY).mid();
        Knobs k = Knobs.of(DRY).orElseThrow();
        SearchOptions options = SearchOptions.defaults().withRig(SMALL);
        float[] softer = MINE.gained(-6).mid();
        double one = new ReplayCore(record, List.of(MINE.mid()), 0, options, workers, new AtomicInteger()).score(k,
                List.of());
        double other = new ReplayCore(record, List.of(softer), 0, options, workers, new AtomicInteger()).score(k,
                List.of());
        double twice = new ReplayCore(record, List.of(MINE.mid(), MINE.mid()), 0, options, workers,
                new AtomicInteger()).score(k, List.of());
        double both = new ReplayCore(record, List.of(MINE.mid(), softer), 0, options, workers, new AtomicInteger())
                .score(k, List.of());
        assertThat(twice).isCloseTo(one, within(1e-9));
        assertThat(both).isCloseTo(0.5 * (one + other), within(1e-9));
    }

    @Test
    void aSpaceComesNearerToARecordThatHasOneAndToNoOther() {
        Block hall = Block.of("plain hall");
        Tone spacious = DRY.inserted(hall.with("decay", 1.6).with("mix", 22), 3);
        ReplayCore there = core(recorded(spacious));
        ReplayCore none = core(recorded(DRY));
        Knobs k = Knobs.of(DRY).orElseThrow();
        ReplaySpace found = ReplaySpace.nearest(b -> there.spectraDb(k, b), List.of(), hall, workers);
        assertThat(found.gain()).isGreaterThan(0.05);
        assertThat(found.isBelieved(OptionalDouble.empty())).isTrue();
        ReplaySpace dry = ReplaySpace.nearest(b -> none.spectraDb(k, b), List.of(), hall, workers);
        assertThat(dry.gain()).isLessThan(0.0125);
        assertThat(dry.harm()).isPositive();
        assertThat(dry.isBelieved(OptionalDouble.of(1.6))).isFalse();
    }

    @Test
    void aSpaceIsBelievedByItsGainItsLengthAndALevelThatCameToRest() {
        Block hall = Block.of("plain hall");
        OptionalDouble unheard = OptionalDouble.empty();
        assertThat(new ReplaySpace(hall, 1.6, -11, 0.05, 0).isBelieved(unheard)).isTrue();
        // What was heard in the tails needs less, and what nobody heard more.
        assertThat(new ReplaySpace(hall, 1.6, -11, 0.02, 0).isBelieved(unheard)).isFalse();
        assertThat(new ReplaySpace(hall, 1.6, -11, 0.02, 0).isBelieved(OptionalDouble.of(1.5))).isTrue();
        // A miked box rings as long as this, whichever of the two says so.
        assertThat(new ReplaySpace(hall, 0.4, -11, 0.15, 0).isBelieved(unheard)).isFalse();
        assertThat(new ReplaySpace(hall, 0.9, -11, 0.15, 0).isBelieved(OptionalDouble.of(0.45))).isFalse();
        // The finest step above the loudest level tried first.
        assertThat(new ReplaySpace(hall, 2.1, -4.5, 0.05, 0).isBelieved(unheard)).isFalse();
    }

    @Test
    void effectsOfAToneAreReadAsTheyAreSet() {
        Tone t = DRY.inserted(Block.of("clean echo").with("time", 300).with("mix", 20), 3)
                .inserted(Block.of("bias tremolo").with("rate", 5).with("depth", 40), 3);
        var e = EffectsAsSet.in(wet.candidate(), t);
        assertThat(e.echo().value().orElseThrow().timeMs()).isEqualTo(300);
        assertThat(e.modulation().value().orElseThrow().rateHz().orElseThrow()).isEqualTo(5);
        assertThat(e.reverb().isPresent()).isFalse();
    }
}
