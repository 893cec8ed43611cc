package verisonus.core.trial;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;

class MatchedSoundsTest {
    private static final Sound PLUCKS = Signal.plucks(0.3, 1).lasting(3);
    private static final Sound NOISE = Signal.noise(2).lasting(4);

    private static MatchedSounds of(Sound... sounds) {
        List<Candidate> all = new java.util.ArrayList<>();
        for (int i = 0; i < sounds.length; i++) all.add(new Candidate("no. " + (i + 1), sounds[i]));
        return MatchedSounds.of(all);
    }

    @Test
    void allAreAsLoudAsTheFirstWhateverTheyWere() {
        MatchedSounds m = of(PLUCKS, NOISE.gained(-31), PLUCKS.gained(9), NOISE.gained(4));
        double first = LoudnessMeter.integratedLufs(m.first()).orElseThrow();
        for (Candidate c : m.candidates())
            assertThat(LoudnessMeter.integratedLufs(c.sound()).orElseThrow()).isCloseTo(first, within(0.1));
        assertThat(m.leftLu()).isLessThan(MatchedSounds.CLOSEST_LU);
    }

    @Test
    void noneIsClippedToMakeItLoud() {
        MatchedSounds m = of(NOISE.gained(20), Signal.plucks(0.9, 5).lasting(3), PLUCKS);
        for (Candidate c : m.candidates()) assertThat(c.sound().peak()).isLessThanOrEqualTo(0.951);
    }

    @Test
    void aSofterOneThatIsGatedIsMatchedAllTheSame() {
        Sound fading = new Sound(
                new float[][]{Signal.array(144000, i -> 0.3 * Math.sin(i * 0.05) * Math.exp(-i / 9000.0))},
                48000);
        MatchedSounds m = of(PLUCKS, fading.gained(-40));
        assertThat(LoudnessMeter.integratedLufs(m.sound(1)).orElseThrow())
                .isCloseTo(LoudnessMeter.integratedLufs(m.first()).orElseThrow(), within(0.1));
    }

    @Test
    void oneRateAndAsManyChannelsAndOneLengthAreSaid() {
        Sound other = Sound.stereo(NOISE.mid(), NOISE.mid(), 48000).atRate(44100);
        MatchedSounds m = of(PLUCKS, other);
        assertThat(m.sound(0).rateHz()).isEqualTo(m.sound(1).rateHz());
        assertThat(m.sound(0).isStereo()).isTrue();
        assertThat(m.sound(0).frames()).isEqualTo(m.sound(1).frames());
        assertThat(m.lengths()).hasValueSatisfying(w -> assertThat(w).contains("3.0 s"));
        assertThat(of(PLUCKS, PLUCKS.gained(-3)).lengths()).isEmpty();
    }

    @Test
    void twinsAreToldBeforeATrialIsWastedOnThem() {
        MatchedSounds m = of(PLUCKS, NOISE, PLUCKS.gained(-6));
        assertThat(m.twins()).containsExactly("no. 3 is the same as no. 1");
        assertThat(m.same(0, 1)).isFalse();
    }

    @Test
    void aTurnedPhaseIsAnotherSoundAndIsSeen() {
        float[] x = PLUCKS.mid();
        Sound turned = Sound.mono(Signal.array(x.length, i -> -x[i]), PLUCKS.rateHz());
        MatchedSounds m = of(PLUCKS, turned);
        assertThat(m.same(0, 1)).isFalse();
        assertThat(m.turned(0, 1)).isTrue();
        assertThat(m.twins()).isEmpty();
    }

    @Test
    void aSilentOneIsNamed() {
        assertThatThrownBy(() -> of(PLUCKS, Signal.silence().lasting(3))).isInstanceOf(InputFault.class)
                .hasMessageContaining("no. 2").hasMessageContaining("silent");
        assertThatThrownBy(() -> of(PLUCKS, NOISE.slice(0, 0.4))).isInstanceOf(InputFault.class)
                .hasMessageContaining("shorter than a second");
    }
}
