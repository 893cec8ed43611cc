package verisonus.core.perform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/** Brightness, body and the ring of notes as goals of a variant. */
class ColourGoalTest {
    private static final Sound PHRASE = Signal.plucks(0.3, 4).lasting(2.5);

    private static Tone through(String amp) {
        return new Tone("rhythm",
                List.of(Block.of("soft-knee compressor").switched(false), Block.of(amp).with("gain", 4),
                        Block.of("2×12 open"), Block.of("dynamic microphone").with("level", -14)));
    }

    private static VariantSolver solver(Tone t) {
        return new VariantSolver(t, PHRASE, Optional.empty(), Optional.empty());
    }

    @ParameterizedTest
    @CsvSource({"mid-forward crunch, BRIGHTNESS, 1.5", "mid-forward crunch, BODY, -2", "open clean, BRIGHTNESS, -2",
            "chiming edge, BODY, 1.5"})
    void aBalanceIsMovedAsFarAsAskedWhileDirtAndLoudnessStay(String amp, Noticed what, double by) {
        Tone tone = through(amp);
        SolvedVariant v = solver(tone).solved("other", VariantGoal.NOTHING.louder(0).with(what, by), Progress.NONE);
        assertThat(v.amiss()).isEmpty();
        ToneNotices before = ToneNotices.of(v.base(), PHRASE, v.before());
        ToneNotices after = ToneNotices.of(v.tone(), PHRASE, v.after());
        assertThat(after.shown(what, before)).hasValueCloseTo(by, within(0.6));
        assertThat(after.shown(Noticed.LOUDNESS, before)).hasValueCloseTo(0.0, within(0.2));
        assertThat(v.after().dirt()).isCloseTo(v.before().dirt(), within(0.05));
    }

    @Test
    void whatTheControlsDoNotReachIsSaid() {
        SolvedVariant v = solver(through("open clean")).solved("far", VariantGoal.NOTHING.with(Noticed.BODY, 19),
                Progress.NONE);
        assertThat(v.amiss()).singleElement().asString().contains("body comes to").contains("reach no further");
    }

    @Test
    void notesRingLongerByACompressorAndWithoutOneThatIsSaid() {
        Tone tone = through("mid-forward crunch");
        SolvedVariant v = solver(tone).solved("long", VariantGoal.NOTHING.with(Noticed.RING, 0.4), Progress.NONE);
        assertThat(v.tone().find("compressor").orElseThrow().on()).isTrue();
        assertThat(ToneNotices.of(v.tone(), PHRASE, v.after()).of(Noticed.RING).orElseThrow())
                .isGreaterThan(ToneNotices.of(v.base(), PHRASE, v.before()).of(Noticed.RING).orElseThrow() + 0.2);
        Tone without = new Tone("t", List.of(Block.of("open clean"), Block.of("dynamic microphone")));
        assertThatThrownBy(
                () -> solver(without).solved("long", VariantGoal.NOTHING.with(Noticed.RING, 0.4), Progress.NONE))
                .isInstanceOf(InputFault.class).hasMessageContaining("compressor");
    }

    @Test
    void whatIsNoticedOfAToneIsItsOwnGear() {
        Tone dry = through("open clean");
        Tone wet = dry.insertedInOrder(Block.of("clean echo").with(ControlNames.MIX, 30))
                .insertedInOrder(Block.of("plate").with(ControlNames.MIX, 20).with(ControlNames.DECAY, 2.5));
        ToneNotices a = ToneNotices.of(dry, PHRASE, PlayedReading.of(dry, PHRASE));
        ToneNotices b = ToneNotices.of(wet, PHRASE, PlayedReading.of(wet, PHRASE));
        assertThat(a.of(Noticed.REPEATS)).hasValue(Noticed.REPEATS.scale().least());
        assertThat(a.of(Noticed.SPACE)).hasValue(0);
        assertThat(b.of(Noticed.SPACE)).hasValue(2.5);
        assertThat(b.of(Noticed.REPEATS).orElseThrow()).isBetween(-30.0, 0.0);
        assertThat(b.of(Noticed.BRIGHTNESS)).as("tails are left out").isEqualTo(a.of(Noticed.BRIGHTNESS));
    }

    @Test
    void balancesKnowNothingOfLoudness() {
        ToneBalance soft = ToneBalance.of(PHRASE.gained(-20));
        ToneBalance loud = ToneBalance.of(PHRASE);
        assertThat(soft.brightnessDb()).isCloseTo(loud.brightnessDb(), within(0.01));
        assertThat(soft.bodyDb()).isCloseTo(loud.bodyDb(), within(0.01));
    }

    @Test
    void aPlaceOnAScaleAndItsValueAreOne() {
        for (Noticed n : Noticed.values()) {
            Noticed.Scale s = n.scale();
            assertThat(s.place(s.valueAt(0.3))).as(n.words()).isCloseTo(0.3, within(1e-12));
            assertThat(s.place(s.most() + 5)).isEqualTo(1);
        }
    }
}
