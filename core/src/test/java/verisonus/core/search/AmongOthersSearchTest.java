package verisonus.core.search;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import verisonus.core.compare.GapAttribute;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.core.work.Progress;

/** From a recording in which a bass and drums play throughout, and a take of its phrase by another hand. */
class AmongOthersSearchTest {
    private static final Rig SMALL = new Rig(List.of(), Map.of("open clean", 1, "tight saturated", 1, "2×12 open", 1,
            "dynamic microphone", 1, "parametric equalizer", 1, "clean echo", 1, "four-stage phaser", 1), Map.of(), 9);
    private static final Sound THEIRS = Signal.plucks(0.43, 21, 1).atDb(-8).lasting(9);
    private static final Sound MINE = Signal.plucks(0.43, 21, 5).atDb(-8).lasting(9);
    private static final Tone CLEAN = new Tone("clean", List.of(Block.of("open clean").with("gain", 3),
            Block.of("2×12 open"), Block.of("dynamic microphone")));
    private static Derivation derived;

    @BeforeAll
    static void search() {
        Sound guitar = Renderer.render(CLEAN, THEIRS, Quality.SEARCH, Progress.NONE).withoutEmptySide();
        Sound others = Signal.of(t -> Math.sin(2 * Math.PI * 49 * t) + 0.5 * Math.sin(2 * Math.PI * 98 * t)
                + (t % 0.5 < 0.2 ? Math.exp(-20 * (t % 0.5)) * Math.sin(2 * Math.PI * 55 * (t % 0.5)) : 0)
                + (t % 0.25 < 0.05 ? 0.5 * Math.sin(40_000 * t * t) : 0)).lasting(9);
        others = others.gained(20 * Math.log10(guitar.rms() / others.rms()));
        ExecutorService workers = Executors.newFixedThreadPool(2);
        SearchOptions options = SearchOptions.defaults().withRig(SMALL);
        derived = new ToneSearch(Signal.sum(guitar, others), MINE, options, workers, Progress.NONE).run();
        workers.shutdown();
    }

    @Test
    void theTakeIsFoundUnderThem() {
        assertThat(derived.pairing()).isEqualTo(Pairing.PLAYED_AGAIN);
    }

    @Test
    void aCleanGuitarIsNotMadeDirtyByThem() {
        assertThat(derived.tone().first(GearKind.AMP).orElseThrow().model().name()).isEqualTo("open clean");
    }

    @Test
    void theirBassIsNotTakenForTheGuitars() {
        assertThat(derived.reference().spectrum().levelAt(50)).isLessThan(
                derived.reference().spectrum().levelAt(400) - 6);
        int lowest = 0;
        assertThat(derived.reference().spectrum().trust()[lowest]).isLessThan(0.1);
    }

    @Test
    void whatTheyCoverIsNamedAndNothingIsCalledNear() {
        assertThat(derived.verdict().near()).isFalse();
        assertThat(derived.verdict().unjudged()).contains("dirt").anyMatch(w -> w.startsWith("colour"));
        assertThat(derived.reference().saturation().presence()).isEqualTo(Presence.UNKNOWN);
    }

    @Test
    void nothingThatIsTheirsStandsAgainstTheTone() {
        assertThat(derived.gap().find(GapAttribute.REST_SWAY)).isEmpty();
        assertThat(derived.gap().find(GapAttribute.REST_BETWEEN)).isEmpty();
    }

    @Test
    void noMovementIsMadeOfTheirBeat() {
        assertThat(derived.tone().first(GearKind.MODULATION)).isEmpty();
    }
}
