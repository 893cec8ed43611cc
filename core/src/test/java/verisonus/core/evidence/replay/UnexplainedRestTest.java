package verisonus.core.evidence.replay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import org.junit.jupiter.api.Test;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

/** What stands beside the dry notes is heard whether or not anybody can name it. */
class UnexplainedRestTest {
    private static final int RATE_HZ = Signal.RATE_HZ;
    private static final Sound RECORD = Signal.plucks(0.47, 33, 1).atDb(-8).lasting(9);
    private static final Sound REPLAY = Signal.plucks(0.47, 33, 4).atDb(-8).lasting(9);

    private static UnexplainedRest of(Sound s) {
        return UnexplainedRest.of(s, REPLAY, OptionalDouble.empty(), _ -> true);
    }

    private static Sound later(double gain, double... ms) {
        float[] x = RECORD.mid();
        return Sound.mono(Signal.array(x.length, i -> {
            double sum = x[i];
            for (double m : ms) {
                int from = i - (int) (m * RATE_HZ / 1000);
                if (from >= 0) sum += gain * x[from];
            }
            return sum;
        }), RATE_HZ);
    }

    @Test
    void repeatsFarBehindTheNotesAreLate() {
        assertThat(of(later(0.35, 640)).late().db()).isGreaterThan(of(RECORD).late().db() + 3);
    }

    @Test
    void whatFollowsCloselyIsSoonAndNotLate() {
        UnexplainedRest close = of(later(0.35, 260));
        assertThat(close.soon().db()).isGreaterThan(of(RECORD).soon().db() + 3);
        assertThat(close.late().db()).isLessThan(close.soon().db());
    }

    @Test
    void loudnessMakesNoDifference() {
        Sound wet = later(0.35, 380);
        assertThat(of(wet.gained(-12)).soon().db()).isCloseTo(of(wet).soon().db(), within(0.5));
    }

    @Test
    void theChanceOfARecordingIsHeardInItsCandidateToo() {
        UnexplainedRest.After recorded = new UnexplainedRest.After(-9, 0.05);
        UnexplainedRest.After dry = new UnexplainedRest.After(-26, 0);
        assertThat(dry.throughDb(recorded)).isBetween(-14.0, -12.0);
        assertThat(recorded.throughDb(dry)).isEqualTo(-9);
    }

    @Test
    void sidesAreReadAgainstTheMiddle() {
        float[] x = RECORD.mid();
        float[] other = Signal.array(x.length, i -> i < 500 ? 0 : x[i - 500]);
        assertThat(of(Sound.stereo(x, x, RATE_HZ)).sideDb()).isEqualTo(-32);
        assertThat(of(Sound.stereo(x, other, RATE_HZ)).sideDb()).isGreaterThan(-10);
    }
}
