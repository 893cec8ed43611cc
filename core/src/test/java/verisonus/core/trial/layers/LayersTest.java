package verisonus.core.trial.layers;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import verisonus.core.compare.HeardChange;
import verisonus.core.perform.time.PluckedPhrase;
import verisonus.core.rig.Block;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.travel.MonoLoss;
import verisonus.core.travel.NamedBand;
import verisonus.core.trial.Candidate;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class LayersTest {
    private static Sound band(long seed, double hz, double db) {
        float[] x = Signal.noise(seed).lasting(3).mid().clone();
        new Biquad.Section(Biquad.peak(hz, db, 1.2, 48000)).process(x, 0, x.length);
        return Sound.mono(x, 48000).gained(-db);
    }

    @Test
    void aBandThatIsCoveredIsFoundAndYieldingLetsItThrough() {
        Sound voice = band(1, 630, 0).gained(-20);
        Sound guitar = band(2, 630, 24).gained(12);
        List<LayerMasking> all = LayerMasking.of(List.of(new Candidate("voice", voice), new Candidate("guitar",
                guitar)));
        LayerMasking worst = all.stream().filter(m -> m.hidden().equals("voice") && m.band() == NamedBand.MIDS)
                .findFirst().orElseThrow();
        assertThat(worst.hider()).isEqualTo("guitar");
        assertThat(worst.share()).isGreaterThan(0.7);
        assertThat(worst.words()).contains("guitar hides the mids of voice");
        Sound yielding = guitar.gained(-worst.yieldDb());
        assertThat(LayerMasking.of(List.of(new Candidate("voice", voice), new Candidate("guitar", yielding))))
                .noneMatch(m -> m.hidden().equals("voice") && m.band() == NamedBand.MIDS);
    }

    @Test
    void theMomentInWhichItIsHiddenMostIsNamed() {
        float[] loud = band(2, 630, 24).gained(12).mid().clone();
        for (int i = 0; i < loud.length; i++) if (i < 1.6 * 48000) loud[i] *= 0.02f;
        LayerMasking m = LayerMasking.of(List.of(new Candidate("voice", band(1, 630, 0).gained(-20)), new Candidate(
                "guitar", Sound.mono(loud, 48000)))).stream().filter(x -> x.hidden().equals("voice")).findFirst()
                .orElseThrow();
        assertThat(m.worstAtS()).isBetween(1.4, 2.2);
    }

    @Test
    void whatLiesApartHidesNothing() {
        Sound low = Signal.sine(80).lasting(3).gained(-20);
        Sound high = Signal.sine(2000).lasting(3).gained(-20);
        assertThat(LayerMasking.of(List.of(new Candidate("bass", low), new Candidate("guitar", high)))).isEmpty();
    }

    @Test
    void oneLayerOrASilentOneIsRefused() {
        Candidate one = new Candidate("guitar", band(1, 600, 3));
        assertThatThrownBy(() -> LayerMasking.of(List.of(one))).isInstanceOf(InputFault.class);
        assertThatThrownBy(() -> LayerMasking.of(List.of(one, new Candidate("voice", Signal.silence().lasting(3)))))
                .isInstanceOf(InputFault.class).hasMessageContaining("voice");
    }

    private static final int[] STEPS = {0, 3, 6, 8, 11, 14, 16, 19, 22, 24, 27, 30};

    @Test
    void twoTakesAreMeasuredByTheirNotes() {
        Sound first = PluckedPhrase.at(PluckedPhrase.sixteenths(100, STEPS, 0, 1), 6);
        Sound second = PluckedPhrase.at(PluckedPhrase.sixteenths(100, STEPS, 12, 2), 6);
        TakesApart t = TakesApart.of(first, second);
        assertThat(t.spreadMs()).isBetween(2.0, 12.0);
        assertThat(t.isCopy()).isFalse();
        assertThat(t.words()).contains("one wide guitar");
        assertThat(t.notes()).isGreaterThanOrEqualTo(10);
    }

    @Test
    void aCopyMovedIsCalledACopy() {
        Sound first = PluckedPhrase.at(PluckedPhrase.sixteenths(100, STEPS, 5, 1), 6);
        float[] x = first.mid();
        Sound moved = Sound.mono(Signal.array(x.length, i -> i < 700 ? 0 : x[i - 700]), 48000);
        TakesApart t = TakesApart.of(first, moved);
        assertThat(t.isCopy()).isTrue();
        assertThat(t.laterMs()).isCloseTo(1000 * 700 / 48000.0, within(1.0));
        assertThat(t.words()).contains("copy");
    }

    @Test
    void takesWithoutCommonNotesAreRefused() {
        Sound early = PluckedPhrase.at(new double[]{0.2, 0.6, 1, 1.4, 1.8}, 6);
        Sound late = PluckedPhrase.at(new double[]{3.2, 3.6, 4, 4.4, 4.8}, 6);
        assertThatThrownBy(() -> TakesApart.of(early, late)).isInstanceOf(InputFault.class).hasMessageContaining(
                "begin in both");
        assertThatThrownBy(() -> TakesApart.of(early, Signal.silence().lasting(6))).isInstanceOf(InputFault.class);
    }

    @Test
    void monoLosesWhatIsTurnedAndNothingOfOneSound() {
        float[] x = Signal.noise(4).lasting(2).mid();
        float[] turned = Signal.array(x.length, i -> -0.9 * x[i]);
        assertThat(MonoLoss.of(Sound.stereo(x, turned, 48000))).isNotEmpty()
                .allSatisfy(m -> assertThat(m.cause()).isEqualTo(MonoLoss.Cause.TURNED_PHASE));
        assertThat(MonoLoss.of(Sound.stereo(x, x, 48000))).isEmpty();
        assertThat(MonoLoss.of(Sound.mono(x, 48000))).isEmpty();
    }

    @Test
    void aSecondChainLiesWithinItsLimitsAndChangesLittle() {
        Tone tone = new Tone("rhythm", List.of(Block.of("mid-forward crunch"), Block.of("2×12 open"),
                Block.of("dynamic microphone")));
        Sound take = Signal.plucks(0.3, 4).lasting(2);
        SecondChain.Limits limits = SecondChain.Limits.USUAL;
        List<SecondChain> all = SecondChain.of(tone, Rig.everything(), take, Optional.empty(), limits, Progress.NONE);
        assertThat(all).isNotEmpty().allSatisfy(s -> assertThat(s.isWithin(limits)).isTrue());
        SecondChain best = all.getFirst();
        assertThat(best.changed()).hasSize(1);
        double colour = HeardChange
                .between(HeardChange.Moments.of(played(tone, take)), HeardChange.Moments.of(played(best
                        .tone(), take)))
                .colourDb();
        assertThat(colour).isBetween(limits.nearestDb() - 0.4, limits.furthestDb() + 0.4);
    }

    private static Sound played(Tone t, Sound di) {
        return Renderer.render(t, di, Quality.FINAL, Progress.NONE);
    }

    @Test
    void whereNothingElseIsOwnedThatIsSaid() {
        Tone bare = new Tone("bare", List.of(Block.of("mid-forward crunch")));
        Sound take = Signal.plucks(0.3, 4).lasting(2);
        assertThatThrownBy(
                () -> SecondChain.of(bare, Rig.everything(), take, Optional.empty(), SecondChain.Limits.USUAL,
                        Progress.NONE))
                .isInstanceOf(InputFault.class).hasMessageContaining("My gear");
        assertThatThrownBy(() -> new SecondChain.Limits(4, 2, -3)).isInstanceOf(IllegalArgumentException.class);
    }
}
