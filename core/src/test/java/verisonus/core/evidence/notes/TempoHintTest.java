package verisonus.core.evidence.notes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Sound;

class TempoHintTest {
    private static final double BPM = 97.3;
    private static final Sound STEADY = steady();

    /** Strokes on every beat and softer ones between, for half a minute. */
    private static Sound steady() {
        float[] x = new float[30 * 48_000];
        double every = 30 / BPM;
        for (int i = 0; i < x.length; i++) {
            double t = i / 48_000.0;
            int n = (int) (t / every);
            double u = t - n * every;
            double a = n % 8 == 0 ? 0.6 : n % 2 == 0 ? 0.4 : 0.2;
            x[i] = (float) (a * Math.exp(-9 * u) * Math.sin(2 * Math.PI * (110 + 20 * (n % 3)) * u));
        }
        return Sound.mono(x, 48_000);
    }

    @ParameterizedTest
    @ValueSource(doubles = {1.13, 0.87, 1.1, 0.9, 1.16, 0.84})
    void aHintThatDoesNotFitIsDoubtedBeforeTheRecordingIs(double off) {
        TempoHint hint = TempoHint.of(STEADY, off * BPM);
        assertThat(hint.doubted()).isTrue();
        assertThat(TempoCourse.of(STEADY, hint.bpm()).isConstant()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(doubles = {1, 0.98, 1.03, 2, 0.5})
    void aHintThatFitsIsTaken(double times) {
        TempoHint hint = TempoHint.of(STEADY, times * BPM);
        assertThat(hint.doubted()).isFalse();
        assertThat(hint.bpm() / (times * BPM)).isCloseTo(1, within(0.05));
    }
}
