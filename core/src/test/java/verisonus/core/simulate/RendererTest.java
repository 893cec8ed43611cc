package verisonus.core.simulate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Cancelled;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/** A whole take through a whole tone. */
class RendererTest {
    private static final Sound TAKE = Signal
            .of(t -> Math.exp(-3 * (t % 0.5)) * (0.3 * Math.sin(2 * Math.PI * 165 * t)
                    + 0.2 * Math.sin(2 * Math.PI * 495 * t)))
            .lasting(1.2);

    private static Tone tone(Block... blocks) {
        return new Tone("t", List.of(blocks));
    }

    private static Sound render(Tone t, Sound take) {
        return Renderer.render(t, take, Optional.of(take), Quality.FINAL, Progress.NONE);
    }

    @Test
    void throughNothingATakeComesOutAsItWas() {
        assertThat(render(tone(), TAKE).mid()).isEqualTo(TAKE.mid());
    }

    @ParameterizedTest
    @EnumSource(Quality.class)
    void isAsLongAsTheTakeHoweverLateTheChain(Quality q) {
        Tone t = tone(Block.of("tight saturated"), Block.of("4×12 closed"), Block.of("ribbon microphone"));
        assertThat(Renderer.render(t, TAKE, q, Progress.NONE).frames()).isEqualTo(TAKE.frames());
    }

    @Test
    void ofALinearChainTheOrderDoesNotMatter() {
        Block eq = Block.of("parametric equalizer").with(ControlNames.peak(1), 6);
        Block level = Block.of("volume").with(ControlNames.LEVEL, -9);
        float[] a = render(tone(eq, level), TAKE).mid();
        float[] b = render(tone(level, eq), TAKE).mid();
        for (int i = 0; i < a.length; i++) assertThat(a[i]).isCloseTo(b[i], within(1e-5f));
    }

    @Test
    void whatIsOffIsNotThere() {
        Block eq = Block.of("parametric equalizer").with(ControlNames.peak(1), 9);
        assertThat(render(tone(eq.switched(false)), TAKE).mid()).isEqualTo(TAKE.mid());
    }

    @ParameterizedTest
    @ValueSource(strings = {"wide chorus", "plain hall", "spring", "room"})
    void whatWidensMakesTwoSidesOfOne(String model) {
        Sound s = render(tone(Block.of(model).with(ControlNames.MIX, 40)), TAKE);
        assertThat(s.isStereo()).isTrue();
        assertThat(s.channel(0)).isNotEqualTo(s.channel(1));
    }

    @Test
    void whatDoesNotStaysOnOneChannel() {
        assertThat(render(tone(Block.of("chiming edge"), Block.of("clean echo").with(ControlNames.MIX, 30)), TAKE)
                .isStereo()).isFalse();
    }

    @Test
    void aDoublerNeedsASecondTakeAndSaysSo() {
        Tone t = tone(Block.of("small combo"), Block.of("doubler"));
        assertThatThrownBy(() -> Renderer.render(t, TAKE, Quality.DRAFT, Progress.NONE))
                .isInstanceOf(InputFault.class).hasMessageContaining("second take");
        assertThat(render(t, TAKE).isStereo()).isTrue();
    }

    @Test
    void aDoublerPutsTheTakesApart() {
        Tone t = tone(Block.of("doubler").with(ControlNames.SPREAD, 100));
        Sound other = TAKE.gained(-60);
        Sound s = Renderer.render(t, TAKE, Optional.of(other), Quality.FINAL, Progress.NONE);
        assertThat(Signal.rmsDb(s.channel(0), 0, 40_000)).isGreaterThan(Signal.rmsDb(s.channel(1), 0, 40_000) + 30);
    }

    @Test
    void aTakeAtAnotherRateIsBroughtToTheWorkingOne() {
        Sound s = Renderer.render(tone(Block.of("open clean")), TAKE.atRate(44_100), Quality.FINAL, Progress.NONE);
        assertThat(s.rateHz()).isEqualTo(Sound.WORKING_RATE_HZ);
        assertThat(s.durationS()).isCloseTo(TAKE.durationS(), within(0.001));
    }

    @Test
    void silenceStaysSilent() {
        Tone t = tone(Block.of("two-transistor fuzz"), Block.of("tight saturated").with(ControlNames.GAIN, 10));
        float[] y = render(t, Sound.mono(new float[24_000], Sound.WORKING_RATE_HZ)).mid();
        for (float v : y) assertThat(Math.abs(v)).isLessThan(1e-5f);
    }

    @Test
    void anEmptyTakeMakesAnEmptySound() {
        assertThat(render(tone(Block.of("chiming edge")), Sound.mono(new float[0], Sound.WORKING_RATE_HZ)).frames())
                .isZero();
    }

    @Test
    void howFarItIsNeverGoesBackAndItCanBeStopped() {
        List<Double> seen = new ArrayList<>();
        Tone t = tone(Block.of("chiming edge"));
        Sound longer = Sound.mono(Arrays.copyOf(TAKE.mid(), 10 * 48_000), 48_000);
        Renderer.render(t, longer, Quality.DRAFT, (done, _) -> seen.add(done));
        assertThat(seen).isSorted().allSatisfy(d -> assertThat(d).isBetween(0.0, 1.0));
        Progress stops = new Progress() {
            @Override
            public void at(double done, String doing) {
                // Nothing is shown.
            }

            @Override
            public boolean cancelled() {
                return true;
            }
        };
        assertThatThrownBy(() -> Renderer.render(t, longer, Quality.DRAFT, stops)).isInstanceOf(Cancelled.class);
    }

    @Test
    void partsOfAProgressLieWithinTheirShare() {
        List<Double> seen = new ArrayList<>();
        Progress whole = (done, _) -> seen.add(done);
        whole.part(0.2, 0.6).at(0, "a");
        whole.part(0.2, 0.6).at(0.5, "b");
        whole.part(0.2, 0.6).part(0.5, 1).at(1, "c");
        assertThat(seen.get(0)).isCloseTo(0.2, within(1e-12));
        assertThat(seen.get(1)).isCloseTo(0.4, within(1e-12));
        assertThat(seen.get(2)).isCloseTo(0.6, within(1e-12));
    }
}
