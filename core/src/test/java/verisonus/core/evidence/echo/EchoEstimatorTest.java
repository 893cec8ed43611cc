package verisonus.core.evidence.echo;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Plot;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

class EchoEstimatorTest {
    private static final double TIME_MS = 0.5;
    private static final double LEVEL_DB = 1.5;
    private static final double FEEDBACK_POINTS = 8;
    private static final Sound DRY = Signal.plucks(0.31, 5).lasting(9);

    /** A delay line with feedback, written out. */
    private static Sound echoed(Sound dry, double timeMs, double levelDb, double feedback) {
        float[] x = dry.channel(0);
        int delay = (int) Math.round(timeMs * dry.rateHz() / 1000);
        double first = Decibels.toAmplitude(levelDb);
        float[] line = new float[x.length];
        float[] out = x.clone();
        for (int i = delay; i < x.length; i++) {
            line[i] = (float) (x[i - delay] + feedback * line[i - delay]);
            out[i] += (float) (first * line[i]);
        }
        return Sound.mono(out, dry.rateHz());
    }

    @ParameterizedTest
    @CsvSource({"120, -9, 0.2", "286, -7, 0.12", "350, -6, 0.45", "520, -10, 0.3", "740, -5, 0.0"})
    void readsTimeLevelAndFeedback(double timeMs, double levelDb, double feedback) {
        Finding<EchoReading> f = EchoEstimator.estimate(echoed(DRY, timeMs, levelDb, feedback));
        assertThat(f.isPresent()).as(f.reason()).isTrue();
        EchoReading e = f.value().orElseThrow();
        assertThat(e.timeMs()).isCloseTo(timeMs, within(TIME_MS));
        assertThat(e.levelDb()).isCloseTo(levelDb, within(LEVEL_DB));
        assertThat(e.feedbackPercent()).isCloseTo(100 * feedback, within(FEEDBACK_POINTS));
        assertThat(e.pingPong()).isFalse();
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void findsNoneInDryPlaying(long seed) {
        Finding<EchoReading> f = EchoEstimator.estimate(Signal.plucks(0.2 + 0.03 * seed, seed).lasting(8));
        assertThat(f.presence()).isEqualTo(Presence.ABSENT);
    }

    @Test
    void aLouderOrSofterRecordingHasTheSameEcho() {
        Sound x = echoed(DRY, 300, -8, 0.3);
        EchoReading loud = EchoEstimator.estimate(x).value().orElseThrow();
        EchoReading soft = EchoEstimator.estimate(x.gained(-20)).value().orElseThrow();
        assertThat(soft.timeMs()).isCloseTo(loud.timeMs(), within(0.01));
        assertThat(soft.levelDb()).isCloseTo(loud.levelDb(), within(0.1));
    }

    @ParameterizedTest
    @ValueSource(ints = {44100, 96000})
    void everyRateAgrees(int rate) {
        EchoReading at48 = EchoEstimator.estimate(echoed(DRY, 300, -8, 0.3)).value().orElseThrow();
        EchoReading other = EchoEstimator.estimate(echoed(DRY, 300, -8, 0.3).atRate(rate)).value().orElseThrow();
        assertThat(other.timeMs()).isCloseTo(at48.timeMs(), within(0.1));
        assertThat(other.levelDb()).isCloseTo(at48.levelDb(), within(0.5));
    }

    @Nested
    class PingPong {
        private Sound crossed() {
            float[] x = DRY.channel(0);
            int delay = (int) (0.4 * DRY.rateHz());
            float[] left = x.clone();
            float[] right = x.clone();
            for (int i = delay; i < x.length; i++) left[i] += 0.5f * x[i - delay];
            for (int i = 2 * delay; i < x.length; i++) right[i] += 0.25f * x[i - 2 * delay];
            for (int i = 3 * delay; i < x.length; i++) left[i] += 0.125f * x[i - 3 * delay];
            return Sound.stereo(left, right, DRY.rateHz());
        }

        @Test
        void isToldFromACentredEcho() {
            EchoReading e = EchoEstimator.estimate(crossed()).value().orElseThrow();
            assertThat(e.pingPong()).isTrue();
            assertThat(e.timeMs()).isCloseTo(400, within(TIME_MS));
            assertThat(e.levelDb()).isCloseTo(-6, within(LEVEL_DB));
        }
    }

    @Test
    void silenceAndShortSoundHaveNone() {
        assertThat(EchoEstimator.estimate(Signal.silence().lasting(5)).isPresent()).isFalse();
        assertThat(EchoEstimator.estimate(Signal.plucks(0.3, 1).lasting(1)).presence()).isEqualTo(Presence.UNKNOWN);
    }

    @Test
    void theCurveShownPeaksAtTheEcho() {
        Plot p = EchoEstimator.estimate(echoed(DRY, 400, -6, 0.2)).plot().orElseThrow();
        int best = 0;
        for (int i = 0; i < p.y().length; i++) if (p.x()[i] > 200 && p.y()[i] > p.y()[best]) best = i;
        assertThat(p.x()[best]).isCloseTo(400, within(5.0));
        assertThat(p.marksX()[0]).isCloseTo(400, within(TIME_MS));
    }
}
