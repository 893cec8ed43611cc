package verisonus.core.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.Verdict;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.feel.Feel;
import verisonus.core.feel.TouchCurve;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.take.MatchedTake;
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
    private static Sound mix;

    @BeforeAll
    static void search() {
        Sound guitar = Renderer.render(CLEAN, THEIRS, Quality.SEARCH, Progress.NONE).withoutEmptySide();
        Sound others = Signal.of(t -> Math.sin(2 * Math.PI * 49 * t) + 0.5 * Math.sin(2 * Math.PI * 98 * t)
                + (t % 0.5 < 0.2 ? Math.exp(-20 * (t % 0.5)) * Math.sin(2 * Math.PI * 55 * (t % 0.5)) : 0)
                + (t % 0.25 < 0.05 ? 0.5 * Math.sin(40_000 * t * t) : 0)).lasting(9);
        others = others.gained(20 * Math.log10(guitar.rms() / others.rms()));
        ExecutorService workers = Executors.newFixedThreadPool(2);
        SearchOptions options = SearchOptions.defaults().withRig(SMALL);
        mix = Signal.sum(guitar, others);
        derived = new ToneSearch(mix, MINE, options, workers, Progress.NONE).run();
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

    @Test
    void whatIsMeasuredAfterwardsIsTheGuitarAsTheSearchHeardIt() {
        MatchedTake laid = MatchedTake.of(mix, MINE);
        ToneEvidence afterwards = ToneEvidence.of(laid, Progress.NONE);
        assertThat(laid.pairing()).isEqualTo(Pairing.PLAYED_AGAIN);
        assertThat(afterwards.wanted().spectrum().levelDb())
                .containsExactly(derived.reference().spectrum().levelDb(), within(0.5));
        assertThat(afterwards.wanted().reverb().presence()).isEqualTo(Presence.UNKNOWN);
        assertThat(ToneEvidence.everything(laid, Progress.NONE).saturation().presence()).isEqualTo(Presence.UNKNOWN);
    }

    @Test
    void theRightToneIsNearerToTheGuitarAmongThemThanToAllThatIsHeard() {
        Sound right = Renderer.render(CLEAN, MINE, Quality.SEARCH, Progress.NONE).withoutEmptySide();
        ToneEvidence read = ToneEvidence.of(MatchedTake.of(mix, MINE), Progress.NONE);
        ToneEvidence everything = new ToneEvidence(Examination.of(mix, Progress.NONE), read.take(), read.pairing());
        Evidence has = read.heard(CLEAN, right, Progress.NONE);
        assertThat(read.gap(has).spectrumRmsDb().orElseThrow())
                .isLessThan(0.7 * everything.gap(has).spectrumRmsDb().orElseThrow());
    }

    @Test
    void twoSoundsAreNotCalledNearWhereOneHasOthersInIt() {
        Evidence wanted = Examination.of(mix, Progress.NONE);
        Evidence alone = Examination.of(MINE, Progress.NONE);
        assertThat(Verdict.between(wanted, alone, GapLedger.between(wanted, alone)).unjudged())
                .contains("colour and dirt among the others");
        assertThat(Verdict.between(alone, alone, GapLedger.between(alone, alone)).unjudged())
                .doesNotContain("colour and dirt among the others");
    }

    @Test
    void howItFeelsIsNotComparedWithOthersPlaying() {
        Evidence wanted = Examination.of(mix, Progress.NONE);
        Evidence alone = Examination.of(MINE, Progress.NONE);
        TouchCurve touch = TouchCurve.of(CLEAN, 0.5);
        Feel among = Feel.of(new Feel.Heard(wanted, mix, alone, MINE, Optional.of(MINE)), touch);
        Feel bare = Feel.of(new Feel.Heard(alone, MINE, alone, MINE, Optional.of(MINE)), touch);
        assertThat(among.rows()).isEmpty();
        assertThat(among.uncompared()).contains("others play");
        assertThat(bare.rows()).isNotEmpty();
        assertThat(bare.uncompared()).isEmpty();
    }
}
