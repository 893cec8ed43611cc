package verisonus.core.evidence.replay;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.OptionalDouble;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

/** A guitar among others: what comes back of it is its echo, what comes back of them is their beat. */
class EchoOddsTest {
    private static final int RATE_HZ = Signal.RATE_HZ;
    private static final double LENGTH_S = 12;
    private static final double BEAT_S = 0.5;
    private static final Sound GUITAR = Signal.plucks(0.43, 21, 1).atDb(-12).lasting(LENGTH_S);
    private static final Sound REPLAY = Signal.plucks(0.43, 21, 5).atDb(-12).lasting(LENGTH_S);
    private static final ReplayExamination.Setting AMONG_OTHERS = new ReplayExamination.Setting(true,
            OptionalDouble.of(1 / BEAT_S), _ -> true, OptionalDouble.empty());

    /** The very same stroke and bass note on every beat, as a sequencer plays them. */
    private static float[] band(double db) {
        float[] out = new float[GUITAR.frames()];
        double gain = Math.pow(10, db / 20);
        for (int from = 0; from < out.length; from += (int) (BEAT_S * RATE_HZ)) {
            SplittableRandom noise = new SplittableRandom(5);
            for (int i = 0; from + i < out.length && i < BEAT_S * RATE_HZ; i++) {
                double t = (double) i / RATE_HZ;
                out[from + i] += (float) (gain * (0.3 * (2 * noise.nextDouble() - 1) * Math.exp(-t / 0.04)
                        + 0.2 * Math.sin(2 * Math.PI * 110 * t) * Math.exp(-t / 0.3)
                        + 0.08 * Math.sin(2 * Math.PI * 220 * t) * Math.exp(-t / 0.2)));
            }
        }
        return out;
    }

    private static Finding<EchoReading> echoIn(float[] guitar) {
        float[] band = band(-8);
        return ReplayExamination.of(Sound.mono(Signal.array(guitar.length, i -> guitar[i] + band[i]), RATE_HZ), REPLAY,
                AMONG_OTHERS).echo();
    }

    private static float[] echoed(double ms, double db) {
        float[] x = GUITAR.mid();
        int late = (int) Math.round(ms * RATE_HZ / 1000);
        double gain = Math.pow(10, db / 20);
        return Signal.array(x.length, i -> x[i] + (i >= late ? gain * x[i - late] : 0)
                + (i >= 2 * late ? 0.3 * gain * x[i - 2 * late] : 0));
    }

    @Test
    void whatTheBandRepeatsIsNoEchoOfTheGuitar() {
        assertThat(echoIn(GUITAR.mid()).isPresent()).isFalse();
    }

    @ParameterizedTest
    @ValueSource(doubles = {270, 375, 590})
    void theGuitarsOwnRepeatsAreFoundUnderABand(double ms) {
        Finding<EchoReading> found = echoIn(echoed(ms, -6));
        assertThat(found.isPresent()).as("%.0f ms", ms).isTrue();
        assertThat(found.value().orElseThrow().timeMs()).isCloseTo(ms, within(3.0));
        assertThat(found.confidence()).isBetween(0.66, 1.0);
    }

    @Test
    void aSofterEchoIsLessSure() {
        Sound loud = Sound.mono(echoed(375, -3), RATE_HZ);
        Sound soft = Sound.mono(echoed(375, -18), RATE_HZ);
        assertThat(best(soft)).isLessThan(best(loud));
    }

    private static double best(Sound recording) {
        DirectFit fit = new DirectFit(recording, REPLAY, DirectFit.Tails.FITTED, _ -> true);
        return EchoOdds.of(recording, REPLAY, RepeatCoherence.of(recording, REPLAY, _ -> true), RepeatEnergy.of(fit),
                _ -> true).best().logOdds();
    }
}
