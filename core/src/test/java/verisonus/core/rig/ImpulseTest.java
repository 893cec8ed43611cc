package verisonus.core.rig;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Sound;

class ImpulseTest {
    private static Sound holding(float value) {
        float[] x = new float[64];
        x[0] = 1;
        x[20] = value;
        return Sound.mono(x, 48_000);
    }

    @ParameterizedTest
    @ValueSource(floats = {Float.NaN, Float.POSITIVE_INFINITY, Float.NEGATIVE_INFINITY, 1e30f, -1e20f})
    void aResponseThatNoLoudspeakerHasIsRefused(float sample) {
        assertThatIllegalArgumentException().isThrownBy(() -> new Impulse("box", holding(sample)));
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 7999, 192_001, Integer.MAX_VALUE})
    void aRateThatNoRecordingHasIsRefused(int rateHz) {
        assertThatIllegalArgumentException()
                .isThrownBy(() -> new Impulse("box", Sound.mono(new float[64], rateHz)))
                .withMessageContaining("Hz");
    }

    @Test
    void whatComesAfterTwoSecondsIsTheRooms() {
        assertThat(new Impulse("box", Sound.mono(new float[200_000], 48_000)).sound().durationS()).isEqualTo(2);
    }
}
