package verisonus.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;

class SoundTest {
    private final Sound stereo = Sound.stereo(new float[]{1, 0.5f, 0, -1}, new float[]{0, 0.5f, 1, 1}, 8000);

    @Test
    void midAndSideGiveBackLeftAndRight() {
        float[] mid = stereo.mid();
        float[] side = stereo.side();
        for (int i = 0; i < stereo.frames(); i++) {
            assertThat(mid[i] + side[i]).isEqualTo(stereo.channel(0)[i]);
            assertThat(mid[i] - side[i]).isEqualTo(stereo.channel(1)[i]);
        }
    }

    @Test
    void monoHasNoSide() {
        assertThat(Signal.sine(100).lasting(0.1).side()).containsOnly(0);
    }

    @Test
    void twoEqualChannelsAreOne() {
        Sound x = Signal.plucks(0.3, 1).lasting(1);
        Sound both = Sound.stereo(x.channel(0), x.channel(0).clone(), x.rateHz());
        assertThat(both.withoutEmptySide().channels()).hasNumberOfRows(1);
        assertThat(both.withoutEmptySide().channel(0)).containsExactly(x.channel(0));
        assertThat(stereo.withoutEmptySide()).isSameAs(stereo);
    }

    @Test
    void aQuietSideIsKept() {
        Sound x = Signal.sine(200).atDb(-6).lasting(1);
        Sound y = Signal.sum(x, Signal.sine(900).atDb(-60).lasting(1));
        assertThat(Sound.stereo(x.channel(0), y.channel(0), 48000).withoutEmptySide().isStereo()).isTrue();
    }

    @Test
    void sliceIsClampedToTheSound() {
        assertThat(stereo.slice(-1, 99).frames()).isEqualTo(4);
        assertThat(stereo.slice(2 / 8000.0, 3 / 8000.0).channel(1)).containsExactly(1);
    }

    @Test
    void gainMovesTheLevelByThatGain() {
        Sound x = Signal.sine(440).atDb(-10).lasting(1);
        double before = Decibels.fromAmplitude(x.rms());
        assertThat(Decibels.fromAmplitude(x.gained(-6).rms())).isCloseTo(before - 6, within(1e-4));
    }

    @Test
    void withFramesCutsOrAddsSilence() {
        assertThat(stereo.withFrames(2).channel(0)).containsExactly(1, 0.5f);
        assertThat(stereo.withFrames(6).channel(0)).containsExactly(1, 0.5f, 0, -1, 0, 0);
    }

    @Test
    void refusesUnequalChannels() {
        assertThatThrownBy(() -> Sound.stereo(new float[2], new float[3], 8000))
                .isInstanceOf(IllegalArgumentException.class).hasMessageContaining("unequal");
    }

    @Test
    void decibelsOfAmplitudeAndPowerDifferByTwo() {
        assertThat(Decibels.fromAmplitude(0.1)).isCloseTo(-20, within(1e-9));
        assertThat(Decibels.fromPower(0.1)).isCloseTo(-10, within(1e-9));
        assertThat(Decibels.fromAmplitude(0)).isEqualTo(Decibels.SILENCE_DB);
        assertThat(Decibels.fromAmplitude(Decibels.toAmplitude(-33))).isCloseTo(-33, within(1e-9));
    }

    @Test
    void aConstantLevelIsTakenAwayAndWhatIsHeardStays() {
        float[] x = Signal.array(4800, i -> 0.1 * Math.sin(i * 2 * Math.PI * 50 / 4800));
        Sound clean = Sound.mono(x, 48000);
        assertThat(clean.withoutOffset()).isSameAs(clean);
        Sound moved = Sound.mono(Signal.array(4800, i -> x[i] + 0.4), 48000);
        float[] back = moved.withoutOffset().channel(0);
        for (int i = 0; i < x.length; i += 37) assertThat(back[i]).isCloseTo(x[i], within(1e-5f));
        assertThat(Sound.mono(Signal.array(4800, _ -> 0.4), 48000).withoutOffset().peak()).isLessThan(1e-6);
    }
}
