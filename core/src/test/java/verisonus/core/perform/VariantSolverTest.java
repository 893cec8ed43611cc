package verisonus.core.perform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class VariantSolverTest {
    private static final Tone TONE = new Tone("rhythm", List.of(Block.of("mid-forward crunch").with("gain", 3),
            Block.of("2×12 open"), Block.of("dynamic microphone").with("level", -14),
            Block.of("clean echo").with(ControlNames.MIX, 15), Block.of("plate").with(ControlNames.MIX, 10)));
    private static final Sound PHRASE = Signal.plucks(0.3, 4).lasting(2.5);
    private static final VariantSolver SOLVER = new VariantSolver(TONE, PHRASE, Optional.empty(), Optional.empty());

    @Test
    void aLeadComesOutAsMuchLouderAndDirtierAsAsked() {
        SolvedVariant v = SOLVER.solved("lead", VariantGoal.NOTHING.louder(3).dirtier(0.08), Progress.NONE);
        assertThat(v.amiss()).isEmpty();
        PlayedReading rhythm = PlayedReading.of(v.base(), PHRASE);
        PlayedReading lead = PlayedReading.of(v.tone(), PHRASE);
        assertThat(lead.loudnessLufs() - rhythm.loudnessLufs()).isCloseTo(3, within(0.2));
        assertThat(lead.dirt() - rhythm.dirt()).isCloseTo(0.08, within(0.03));
        assertThat(v.variant().settings()).containsOnlyKeys(new ControlPlace("amp", "gain"), v.loudnessAt());
        assertThat(v.loudnessAt().toString()).isEqualTo("microphone/level");
    }

    @Test
    void whatIsNotAskedForStays() {
        SolvedVariant v = SOLVER.solved("ambient", VariantGoal.NOTHING.longer(0.5).repeating(6), Progress.NONE);
        assertThat(v.variant().settings()).hasSize(2);
        double decay = TONE.find("reverb").orElseThrow().get(ControlNames.DECAY);
        assertThat(v.tone().find("reverb").orElseThrow().get(ControlNames.DECAY)).isCloseTo(decay + 0.5, within(1e-9));
        assertThat(v.tone().find("echo").orElseThrow().get(ControlNames.MIX)).isGreaterThan(15);
    }

    @Test
    void solvingAgainDoesNotAddUp() {
        VariantGoal goal = VariantGoal.NOTHING.longer(0.5).repeating(6);
        SolvedVariant once = SOLVER.solved("ambient", goal, Progress.NONE);
        assertThat(SOLVER.solved(once.variant(), goal, Progress.NONE).variant()).isEqualTo(once.variant());
    }

    @Test
    void aGoalOutOfReachIsSaidWithTheEndOfTheTrack() {
        SolvedVariant v = SOLVER.solved("wall", VariantGoal.NOTHING.dirtier(1), Progress.NONE);
        assertThat(v.amiss()).singleElement().asString().contains("amp/gain at 10.0");
        SolvedVariant loud = SOLVER.solved("roar", VariantGoal.NOTHING.louder(29), Progress.NONE);
        assertThat(loud.amiss()).singleElement().asString().contains("it clips by");
    }

    @Test
    void aToneWithoutALevelGetsAVolumeAtItsEnd() {
        Tone bare = new Tone("bare", List.of(Block.of("open clean")));
        VariantSolver s = new VariantSolver(bare, PHRASE, Optional.empty(), Optional.empty());
        assertThat(s.base().blocks().getLast().model().name()).isEqualTo("volume");
        SolvedVariant v = s.solved("solo", VariantGoal.NOTHING.louder(4), Progress.NONE);
        assertThat(v.variant().settings()).containsOnlyKeys(new ControlPlace("volume", "level"));
        assertThat(v.after().loudnessLufs() - v.before().loudnessLufs()).isCloseTo(4, within(0.1));
    }

    @Test
    void theLadderRisesEvenlyInDirtAndStaysAsLoud() {
        Variant dirty = new Variant("dirty", Map.of(new ControlPlace("amp", "gain"), 7.0), Map.of());
        List<SolvedVariant> ladder = SOLVER.ladder(dirty, 3, Progress.NONE);
        double whole = ladder.getLast().after().dirt() - ladder.getFirst().after().dirt();
        for (int i = 1; i < 3; i++) {
            assertThat(ladder.get(i).after().dirt() - ladder.get(i - 1).after().dirt()).isCloseTo(whole / 2,
                    within(0.02));
            assertThat(ladder.get(i).after().loudnessLufs()).isCloseTo(ladder.getFirst().before().loudnessLufs(),
                    within(0.2));
        }
    }

    @Test
    void aPlaceInFrontOfTheClipperIsNoPlaceForLoudness() {
        assertThatThrownBy(() -> new VariantSolver(TONE, PHRASE, Optional.of(new ControlPlace("amp", "gain")),
                Optional.empty())).isInstanceOf(InputFault.class).hasMessageContaining("no level in dB");
        assertThatThrownBy(() -> new VariantSolver(TONE, PHRASE, Optional.empty(),
                Optional.of(new ControlPlace("amp", "grain")))).isInstanceOf(InputFault.class);
        assertThatThrownBy(() -> new VariantSolver(TONE, Signal.silence().lasting(2), Optional.empty(),
                Optional.empty())).isInstanceOf(InputFault.class).hasMessageContaining("loudness");
    }

    @Test
    void onlyDifferencesAreKeptAndAChangeOfTheToneReachesTheVariant() {
        Variant v = Variant.between("lead", TONE, TONE.with(TONE.find("amp").orElseThrow().with("gain", 6))
                .with(TONE.find("echo").orElseThrow().switched(false)));
        assertThat(v.differences()).isEqualTo(2);
        Tone brighter = TONE.with(TONE.find("amp").orElseThrow().with("treble", 8));
        Tone lead = v.on(brighter);
        assertThat(lead.name()).isEqualTo("lead");
        assertThat(lead.find("amp").orElseThrow().get("treble")).isEqualTo(8);
        assertThat(lead.find("amp").orElseThrow().get("gain")).isEqualTo(6);
        assertThat(lead.find("echo").orElseThrow().on()).isFalse();
        assertThat(v.lost(brighter)).isEmpty();
        assertThat(v.lost(TONE.without("echo"))).containsExactly("echo");
        assertThat(v.on(TONE.without("echo")).find("echo")).isEmpty();
    }

    @Test
    void anotherGuitarIsBroughtNearerByFewControls() {
        Sound first = Signal.plucks(0.3, 4).lasting(2.5);
        Sound darker = new Sound(new float[][]{softened(first.mid())}, first.rateHz()).gained(-5);
        GuitarTrim t = GuitarTrim.of("dark guitar", TONE, first, darker, Progress.NONE);
        assertThat(t.afterJnd()).isLessThan(0.8 * t.beforeJnd());
        assertThat(t.variant().settings()).hasSizeBetween(1, 4);
        assertThat(GuitarTrim.of("same", TONE, first, first, Progress.NONE).variant().differences()).isZero();
    }

    private static float[] softened(float[] x) {
        float[] out = x.clone();
        for (int i = 1; i < out.length; i++) out[i] = 0.6f * out[i - 1] + 0.4f * x[i];
        return out;
    }

    @Test
    void aToneThatIsNearlyCleanLosesNoMoreThanItHas() {
        assertThat(UsualPart.CLEAN.goal(0.05).of(Noticed.DIRT)).hasValue(0);
        assertThat(UsualPart.CLEAN.goal(0.2).of(Noticed.DIRT).orElseThrow()).isCloseTo(-0.08, within(1e-9));
        assertThat(UsualPart.CLEAN.goal(0.9).of(Noticed.DIRT).orElseThrow()).isCloseTo(-0.35, within(1e-9));
    }

    @Test
    void rhythmLeadAndCleanComeAtOnceAndLeaveWhatIsThere() {
        List<SolvedVariant> all = UsualPart.beside(Set.of(), SOLVER, Progress.NONE);
        assertThat(all).extracting(v -> v.variant().name()).containsExactly("rhythm", "lead", "clean");
        assertThat(all.get(0).after().loudnessLufs()).isCloseTo(all.get(0).before().loudnessLufs(), within(0.2));
        assertThat(all.get(1).after().loudnessLufs()).isCloseTo(all.get(0).before().loudnessLufs() + 3, within(0.2));
        assertThat(all.get(1).after().dirt()).isGreaterThan(all.get(0).after().dirt());
        assertThat(all.get(2).after().dirt()).isLessThanOrEqualTo(all.get(0).after().dirt() + 0.03);
        assertThat(UsualPart.beside(Set.of("rhythm", "clean"), SOLVER, Progress.NONE))
                .extracting(v -> v.variant().name()).containsExactly("lead");
    }

    @Test
    void dirtIsTurnedAtTheAmpThatSounds() {
        Tone two = new Tone("two amps", List.of(Block.of("open clean").named("first").switched(false),
                Block.of("mid-forward crunch").named("second").with("gain", 3), Block.of("2×12 open"),
                Block.of("dynamic microphone").with("level", -14)));
        VariantSolver solver = new VariantSolver(two, PHRASE, Optional.empty(), Optional.empty());
        SolvedVariant v = solver.solved("lead", VariantGoal.NOTHING.louder(0).dirtier(0.05), Progress.NONE);
        assertThat(v.dirtAt()).contains(new ControlPlace("second", "gain"));
        assertThat(v.variant().settings().keySet()).noneMatch(p -> p.block().equals("first"));
    }

    @Test
    void aVariantThatSwitchesAmpsTurnsTheOneItSwitchesOn() {
        Tone two = new Tone("two amps", List.of(Block.of("open clean").named("first").with("gain", 2),
                Block.of("mid-forward crunch").named("second").with("gain", 3).switched(false), Block.of("2×12 open"),
                Block.of("dynamic microphone").with("level", -14)));
        VariantSolver solver = new VariantSolver(two, PHRASE, Optional.empty(), Optional.empty());
        Variant other = new Variant("other amp", Map.of(), Map.of("first", false, "second", true));
        SolvedVariant v = solver.solved(other, VariantGoal.NOTHING.louder(0).dirtier(0.1), Progress.NONE);
        assertThat(v.dirtAt()).contains(new ControlPlace("second", "gain"));
        assertThat(v.variant().settings()).doesNotContainKey(new ControlPlace("first", "gain"));
    }
}
