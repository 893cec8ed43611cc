package verisonus.core.perform.wish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import verisonus.core.advise.SaidWord;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.words.Trait;
import verisonus.core.evidence.words.Word;
import verisonus.core.perform.PlayedReading;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class WishSolverTest {
    private static final Sound TAKE = Signal.plucks(0.4, 21).atDb(-8).lasting(5);
    private static final Tone TONE = NewTone.levelled(new Tone("mine", List.of(
            Block.of("mid-forward crunch").with("gain", 4), Block.of("2×12 open"), Block.of("dynamic microphone"))),
            TAKE);
    private static ExecutorService workers;

    @BeforeAll
    static void begin() {
        workers = Executors.newFixedThreadPool(2);
    }

    @AfterAll
    static void end() {
        workers.shutdown();
    }

    private static Granted granted(Wish wish) {
        return new WishSolver(Rig.everything(), TAKE, workers).granted(TONE, wish, Progress.NONE);
    }

    private static Wish like(Sound recording, Wish.Aspect aspect) {
        return new Wish(List.of(), OptionalDouble.empty(), OptionalDouble.empty(),
                Optional.of(new Wish.Like(recording, aspect)));
    }

    private static Sound played(Tone t) {
        return Renderer.render(t, TAKE, Quality.SEARCH, Progress.NONE);
    }

    private static double lufs(Tone t) {
        return LoudnessMeter.integratedLufs(played(t)).orElseThrow();
    }

    @Test
    void aWordMovesItsOwnFiguresAndNotTheLoudness() {
        SaidWord brighter = SaidWord.find("more bright", Word.shipped()).orElseThrow();
        Granted g = granted(new Wish(List.of(brighter), OptionalDouble.empty(), OptionalDouble.empty(),
                Optional.empty()));
        assertThat(g.isMet()).as(g.parts().toString()).isTrue();
        Map<Trait, Double> was = Trait.of(Examination.of(played(TONE), Progress.NONE));
        Map<Trait, Double> is = Trait.of(Examination.of(played(g.tone()), Progress.NONE));
        assertThat(is.getOrDefault(Trait.PRESENCE, 0.0)).isGreaterThan(was.getOrDefault(Trait.PRESENCE, 0.0) + 1);
        assertThat(lufs(g.tone())).isCloseTo(lufs(TONE), within(0.5));
        assertThat(g.changed()).isNotEmpty();
    }

    @Test
    void dirtAndLoudnessAreReachedAsAsked() {
        Granted g = granted(new Wish(List.of(), OptionalDouble.of(2), OptionalDouble.of(0.1), Optional.empty()));
        assertThat(g.isMet()).as(g.parts().toString()).isTrue();
        assertThat(PlayedReading.dirt(g.tone(), TAKE) - PlayedReading.dirt(TONE, TAKE)).isCloseTo(0.1, within(0.03));
        assertThat(lufs(g.tone()) - lufs(TONE)).isCloseTo(2, within(0.5));
    }

    @Test
    void dirtThatIsNotThereIsNotTakenAway() {
        Tone clean = NewTone.levelled(new Tone("clean", List.of(Block.of("open clean").with("gain", 1),
                Block.of("2×12 open"), Block.of("dynamic microphone"))), TAKE);
        Granted g = new WishSolver(Rig.everything(), TAKE, workers).granted(clean,
                new Wish(List.of(), OptionalDouble.empty(), OptionalDouble.of(-0.5), Optional.empty()),
                Progress.NONE);
        assertThat(g.isMet()).isFalse();
        assertThat(g.against()).anyMatch(a -> a.contains("no more to take away"));
        assertThat(g.tone().first(GearKind.AMP)).isEqualTo(clean.first(GearKind.AMP));
    }

    @Test
    void likeARecordingInItsEchoOnlyLeavesTheRest() {
        Tone echoing = TONE.inserted(Block.of("clean echo").with("time", 330).with("mix", 25).with("feedback", 20), 3);
        Granted g = granted(like(Renderer.render(echoing, Signal.plucks(0.9, 5).atDb(-8).lasting(9), Quality.SEARCH,
                Progress.NONE), Wish.Aspect.ECHO));
        Block echo = g.tone().first(GearKind.ECHO).orElseThrow();
        assertThat(echo.get(ControlNames.TIME)).isCloseTo(330, within(10.0));
        assertThat(g.parts()).singleElement().satisfies(p -> {
            assertThat(p.met()).as(p.toString()).isTrue();
            assertThat(p.reached()).isCloseTo(330, within(10.0));
        });
        assertThat(g.tone().first(GearKind.AMP)).isEqualTo(TONE.first(GearKind.AMP));
        assertThat(g.tone().first(GearKind.CABINET)).isEqualTo(TONE.first(GearKind.CABINET));
    }

    @Test
    void likeARecordingInItsColourOnlyTurnsAnEqualizer() {
        Tone dark = TONE.with(TONE.find("amp").orElseThrow().with("treble", 1).with("presence", 1));
        Granted g = granted(like(played(dark), Wish.Aspect.COLOUR));
        assertThat(g.isMet()).as(g.parts().toString()).isTrue();
        assertThat(g.tone().first(GearKind.EQUALIZER)).isPresent();
        assertThat(g.tone().first(GearKind.AMP)).isEqualTo(TONE.first(GearKind.AMP));
    }

    @Test
    void nothingAskedForAndNothingToTakeAreRefused() {
        assertThatThrownBy(() -> granted(new Wish(List.of(), OptionalDouble.empty(), OptionalDouble.empty(),
                Optional.empty()))).isInstanceOf(InputFault.class).hasMessageContaining("nothing is asked for");
        assertThatThrownBy(() -> granted(like(played(TONE), Wish.Aspect.ECHO))).isInstanceOf(InputFault.class)
                .hasMessageContaining("no sure sign of an echo");
    }

    @Test
    void everyStartingToneIsDescribedAsItSounds() {
        Rig few = new Rig(List.of(), Map.of("open clean", 1, "2×12 open", 1, "4×12 closed", 1, "dynamic microphone", 1,
                "condenser microphone", 1), Map.of(), 9);
        List<StartSound> all = StartSound.all(few, TAKE, workers);
        assertThat(all).isNotEmpty().allSatisfy(s -> {
            assertThat(s.family()).isEqualTo("open clean");
            assertThat(s.traits()).containsKeys(Trait.DIRT, Trait.PRESENCE);
        });
        assertThat(lufs(NewTone.levelled(NewTone.neutral(few), TAKE))).isCloseTo(-20, within(0.5));
    }
}
