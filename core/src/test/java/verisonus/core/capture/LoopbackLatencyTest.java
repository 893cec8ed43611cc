package verisonus.core.capture;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class LoopbackLatencyTest {
    private static final float[] SENT = LoopbackLatency.burst(9600);

    private static float[] later(int samples, double gain, double noise) {
        SplittableRandom r = new SplittableRandom(3);
        float[] out = new float[24_000];
        for (int i = 0; i < out.length; i++) {
            double v = noise * r.nextGaussian();
            if (i >= samples && i - samples < SENT.length) v += gain * SENT[i - samples];
            out[i] = (float) v;
        }
        return out;
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 1, 37, 512, 4800, 12_000})
    void theWayThroughACableIsFoundToTheSample(int samples) {
        assertThat(LoopbackLatency.samples(SENT, later(samples, 1, 0))).hasValue(samples);
    }

    @Test
    void softlyInNoiseToo() {
        assertThat(LoopbackLatency.samples(SENT, later(777, 0.05, 0.01))).hasValue(777);
    }

    @Test
    void turnedUpsideDownToo() {
        assertThat(LoopbackLatency.samples(SENT, later(300, -0.5, 0))).hasValue(300);
    }

    @Test
    void whatNeverCameBackIsNotFound() {
        assertThat(LoopbackLatency.samples(SENT, later(0, 0, 0.1))).isEmpty();
        assertThat(LoopbackLatency.samples(SENT, new float[24_000])).isEmpty();
    }

    @Test
    void theBurstIsTheSameEachTimeAndNotTooLoud() {
        assertThat(LoopbackLatency.burst(9600)).isEqualTo(SENT);
        for (float v : SENT) assertThat(Math.abs(v)).isLessThanOrEqualTo(0.25f);
    }
}
