package verisonus.core.search;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.signs.Presence;
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

/** From a recording in which others play throughout, and a take that plays something else. */
class CoveredSearchTest {
    private static final Rig SMALL = new Rig(List.of(), Map.of("open clean", 1, "tight saturated", 1, "2×12 open", 1,
            "dynamic microphone", 1, "parametric equalizer", 1, "clean echo", 1, "noise gate", 1), Map.of(), 9);
    private static final int FEW_RENDERS = 120;
    private static final Sound OTHER = Signal.plucks(0.31, 77, 9).atDb(-8).lasting(8);
    private static final Sound GUITAR = Renderer.render(new Tone("clean", List.of(Block.of("open clean")
            .with("gain", 3), Block.of("2×12 open"), Block.of("dynamic microphone"))), Signal.plucks(0.43, 21, 1)
                    .atDb(-8).lasting(9),
            Quality.SEARCH, Progress.NONE).withoutEmptySide();
    private static final Sound UNDER_A_BASS = mixed(Signal.of(t -> Math.sin(2 * Math.PI * 49 * t)
            + 0.5 * Math.sin(2 * Math.PI * 98 * t) + (t % 0.25 < 0.05 ? 0.5 * Math.sin(40_000 * t * t) : 0))
            .lasting(9));
    private static final Sound UNDER_CYMBALS = mixed(Signal.of(t -> 0.4 * Math.sin(2 * Math.PI * 55 * t)
            + (t % 0.25 < 0.2 ? Math.sin(70_000 * t * t + 300 * Math.sin(9000 * t)) : 0)).lasting(9));
    private static final ExecutorService WORKERS = Executors.newFixedThreadPool(2);
    private static Derivation bass;
    private static Derivation cymbals;

    private static Sound mixed(Sound others) {
        return Signal.sum(GUITAR, others.gained(20 * Math.log10(GUITAR.rms() / others.rms()) + 3));
    }

    @BeforeAll
    static void search() {
        SearchOptions options = SearchOptions.defaults().withRig(SMALL).withBudget(FEW_RENDERS, 1);
        bass = new ToneSearch(UNDER_A_BASS, OTHER, options, WORKERS, Progress.NONE).run();
        cymbals = new ToneSearch(UNDER_CYMBALS, OTHER, options, WORKERS, Progress.NONE).run();
    }

    @AfterAll
    static void end() {
        WORKERS.shutdown();
    }

    @Test
    void whateverTheOthersPlayTheToneIsTheSame() {
        assertThat(bass.pairing()).isEqualTo(Pairing.OTHER_PLAYING);
        assertThat(cymbals.pairing()).isEqualTo(Pairing.OTHER_PLAYING);
        assertThat(set(bass.tone())).isEqualTo(set(cymbals.tone()));
    }

    /** Settings to a hundredth, but for levels: those follow how loud the record is. */
    private static List<String> set(Tone t) {
        return t.blocks().stream().map(b -> b.model().name() + b.settings().entrySet().stream()
                .filter(s -> !s.getKey().equals("level"))
                .map(s -> String.format(Locale.ROOT, " %s %.2f", s.getKey(), s.getValue())).sorted().toList()).toList();
    }

    @Test
    void neitherAGateNorAnEffectIsMadeOfThem() {
        assertThat(bass.tone().blocks()).extracting(b -> b.model().kind())
                .doesNotContain(GearKind.GATE, GearKind.ECHO, GearKind.REVERB, GearKind.MODULATION);
    }

    @Test
    void whatIsNotKnownIsSaidAndNothingIsCalledNear() {
        assertThat(bass.verdict().near()).isFalse();
        assertThat(bass.verdict().unjudged()).contains("colour", "dirt", "echo", "space", "movement");
        assertThat(bass.stopped()).contains("usual tone");
        assertThat(bass.gap().rows()).isEmpty();
        assertThat(bass.gap().spectrumRmsDb()).isEmpty();
    }

    @Test
    void aChangeAfterwardsIsNotMeasuredAgainstTheMixEither() {
        ToneEvidence afterwards = ToneEvidence.of(new MatchedTake(UNDER_A_BASS, OTHER, Pairing.OTHER_PLAYING),
                Progress.NONE);
        Evidence played = afterwards.heard(bass.tone(), bass.render(), Progress.NONE);
        GapLedger gap = afterwards.gap(played);
        assertThat(gap.isMeasured()).isFalse();
        assertThat(gap.rows()).isEmpty();
        assertThat(afterwards.wanted().saturation().presence()).isEqualTo(Presence.UNKNOWN);
    }

    @Test
    void aGuitarAloneIsStillRead() {
        ToneEvidence alone = ToneEvidence.of(new MatchedTake(GUITAR, OTHER, Pairing.OTHER_PLAYING), Progress.NONE);
        Evidence played = Examination.of(OTHER, Progress.NONE);
        assertThat(alone.gap(played).rows()).extracting(r -> r.attribute()).containsAll(
                GapAttribute.BANDS.subList(1, 4));
        assertThat(alone.gap(played).spectrumRmsDb()).isPresent();
    }
}
