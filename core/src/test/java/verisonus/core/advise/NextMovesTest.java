package verisonus.core.advise;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.words.Trait;
import verisonus.core.evidence.words.Word;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Gear;
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

class NextMovesTest {
    private static final Sound DI = Signal.plucks(0.27, 21).atDb(-8).lasting(4);
    private static final Tone WANTED = new Tone("wanted", List.of(Block.of("mid-forward crunch").with("gain", 6),
            Block.of("4×12 closed"), Block.of("dynamic microphone").with("position", 30)));
    private static final Tone MINE = WANTED.with(WANTED.find("amp").orElseThrow().with("gain", 3))
            .with(WANTED.find("microphone").orElseThrow().with("position", 80));
    private static ExecutorService workers;
    private static Evidence reference;
    private static NextMoves next;
    private static List<Move> best;

    @BeforeAll
    static void look() {
        workers = Executors.newFixedThreadPool(2);
        reference = measured(WANTED);
        next = moves(Locks.NONE, Set.of());
        best = next.best(Progress.NONE);
    }

    @AfterAll
    static void stop() {
        workers.shutdownNow();
    }

    private static Evidence measured(Tone t) {
        return Examination.of(Renderer.render(t, DI, Quality.FINAL, Progress.NONE), Examination.Depth.TONE,
                Progress.NONE);
    }

    private static ToneEvidence alone() {
        return new ToneEvidence(reference, Optional.empty(), Pairing.OTHER_PLAYING);
    }

    private static NextMoves moves(Locks locked, Set<GapAttribute> wantedSo) {
        return new NextMoves(new NextMoves.Question(alone(), DI, MINE, Rig.everything(), locked, wantedSo), workers,
                Progress.NONE);
    }

    @Test
    void whatTheyPromiseIsWhatIsMeasuredAfterwards() {
        assertThat(best).isNotEmpty();
        Move first = best.get(0);
        double after = GapLedger.between(reference, measured(first.tone())).distanceJnd();
        assertThat(next.gap().distanceJnd() - after).isCloseTo(first.gainJnd(), within(0.25 * first.gainJnd() + 0.1));
        assertThat(first.gainJnd()).isGreaterThan(0.3);
    }

    @Test
    void whatWasTurnedAwayIsAmongTheFirst() {
        assertThat(best.stream().limit(4).map(Move::what)).anyMatch(w -> w.contains("position") || w.contains("highs")
                || w.contains("gain"));
        assertThat(best).allSatisfy(m -> assertThat(m.gainJnd()).isPositive());
        assertThat(best.get(0).words(Rig.everything())).isNotBlank();
    }

    @Test
    void lockedControlsAndWantedDifferencesAreLeftAlone() {
        NextMoves kept = moves(Locks.of(ControlPlace.parse("microphone/position"), ControlPlace.parse("amp/gain")),
                Set.of(GapAttribute.SATURATION));
        assertThat(kept.gap().counts(kept.gap().find(GapAttribute.SATURATION).orElseThrow())).isFalse();
        assertThat(kept.best(Progress.NONE)).flatExtracting(Move::turned).noneMatch(
                t -> t.control().equals("position") || t.control().equals("gain"));
    }

    @Test
    void anEqualizerIsPutInOnlyWhereOneIsOwnedAndThereIsRoom() {
        assertThat(best).anyMatch(m -> m.what().startsWith("parametric equalizer put in"));
        Rig full = Rig.everything().limited(MINE.blocks().size(), Set.of());
        NextMoves none = new NextMoves(new NextMoves.Question(alone(), DI, MINE, full, Locks.NONE, Set.of()), workers,
                Progress.NONE);
        assertThat(none.best(Progress.NONE)).noneMatch(m -> m.what().startsWith("parametric equalizer put in"));
    }

    @Test
    void aWordFindsMovesThatChangeItsFigures() {
        SaidWord said = SaidWord.find("too dark", Word.shipped()).orElseThrow();
        assertThat(said.more()).isFalse();
        List<Move> found = next.towards(said.word(), said.more(), Progress.NONE);
        assertThat(found).isNotEmpty();
        double before = Trait.of(measured(MINE)).getOrDefault(Trait.PRESENCE, 0.0);
        assertThat(Trait.of(measured(found.get(0).tone())).getOrDefault(Trait.PRESENCE, 0.0)).isGreaterThan(before);
    }

    @Test
    void wordsAreUnderstoodAsPlayersSayThem() {
        assertThat(SaidWord.find("needs air", Word.shipped()).orElseThrow().word().name()).isEqualTo("airy");
        assertThat(SaidWord.find("Too boxy", Word.shipped()).orElseThrow().more()).isFalse();
        assertThat(SaidWord.find("more bite", Word.shipped()).orElseThrow().more()).isTrue();
        assertThat(SaidWord.find("brighter", Word.shipped()).orElseThrow().word().name()).isEqualTo("bright");
        assertThat(SaidWord.find("airier", Word.shipped()).orElseThrow().word().name()).isEqualTo("airy");
        assertThat(SaidWord.find("too purple", Word.shipped())).isEmpty();
    }

    @ParameterizedTest
    @ValueSource(strings = {"bright", "too bright", "harsh", "nasal", "warm", "thick", "raspy", "punchy", "singing",
            "spongy", "more warmth", "less sustain"})
    void whatPlayersAskForIsUnderstood(String said) {
        assertThat(SaidWord.find(said, Word.shipped())).isPresent();
    }

    @Test
    void aWordThatIsNotKnownIsAnsweredWithTheNearest() {
        assertThat(SaidWord.nearest("too boxxy", Word.shipped()).get(0)).isEqualTo("boxy");
        assertThat(SaidWord.nearest("brigt", Word.shipped()).get(0)).isEqualTo("bright");
        assertThat(SaidWord.nearest("purple", Word.shipped())).hasSize(3);
    }

    @Test
    void whatTheRigHasNotGotIsNamedWithWhatItWouldBring() {
        Rig poor = new Rig(List.of(), Map.of("open clean", 1, "1×8 open", 1, "ribbon microphone", 1), Map.of(), 9);
        Tone best = new Tone("best", List.of(Block.of("open clean").with("gain", 6), Block.of("1×8 open"),
                Block.of("ribbon microphone")));
        List<Reach.Unreached> off = new Reach(reference, new MatchedTake(DI, DI, Pairing.SAME_PERFORMANCE), best, poor,
                workers).of(Progress.NONE);
        assertThat(off).isNotEmpty().allSatisfy(u -> {
            assertThat(u.offJnd()).isGreaterThanOrEqualTo(1);
            u.gear().ifPresent(m -> assertThat(poor.has(m)).isFalse());
            assertThat(u.words()).contains("JND");
        });
        assertThat(off).anyMatch(u -> u.gear().filter(m -> m.kind() == Gear.model("4×12 closed").kind()).isPresent());
    }
}
