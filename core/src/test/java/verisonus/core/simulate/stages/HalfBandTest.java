package verisonus.core.simulate.stages;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.sound.Signal;

class HalfBandTest {
    private static final int SHARP = 36;

    private static float[] up(HalfBand h, float[] x, int step) {
        float[] out = new float[2 * x.length];
        for (int i = 0; i < x.length; i += step) {
            int n = Math.min(step, x.length - i);
            float[] part = new float[2 * n];
            h.up(Arrays.copyOfRange(x, i, i + n), n, part);
            System.arraycopy(part, 0, out, 2 * i, 2 * n);
        }
        return out;
    }

    private static float[] down(HalfBand h, float[] x) {
        float[] out = new float[x.length / 2];
        h.down(x, out.length, out);
        return out;
    }

    private static float[] settled(float[] x) {
        return Arrays.copyOfRange(x, 400, x.length);
    }

    @ParameterizedTest
    @ValueSource(doubles = {50, 1000, 10000, 18000, 20000})
    void whatIsHeardKeepsItsLevelAndItsMirrorImageIsGone(double hz) {
        float[] x = Signal.sine(hz).samples(8000);
        float[] y = settled(up(new HalfBand(SHARP), x, 8000));
        assertThat(Signal.levelDbAt(y, hz, 96000)).isCloseTo(0, within(0.02));
        assertThat(Signal.levelDbAt(y, 48000 - hz, 96000)).isLessThan(-80);
    }

    @ParameterizedTest
    @ValueSource(doubles = {29000, 33000, 40000, 47000})
    void whatWouldFoldBackIsTakenAwayOnTheWayDown(double hz) {
        float[] x = Signal.sine(hz).atRate(96000).samples(16000);
        float[] y = settled(down(new HalfBand(SHARP), x));
        assertThat(Signal.rmsDb(y, 0, y.length)).isLessThan(-80);
    }

    @Test
    void thereAndBackIsTheSameLaterByBothWays() {
        float[] x = Signal.plucks(0.1, 3).samples(4000);
        HalfBand there = new HalfBand(SHARP);
        float[] y = down(new HalfBand(SHARP), up(there, x, 4000));
        int late = 2 * there.latency();
        for (int i = 500; i < 4000; i++) assertThat(y[i]).isCloseTo(x[i - late], within(2e-3f));
    }

    @ParameterizedTest
    @ValueSource(ints = {1, 13, 64, 1000})
    void doesNotDependOnHowItsInputIsCut(int step) {
        float[] x = Signal.noise(9).samples(3000);
        assertThat(up(new HalfBand(14), x, step)).isEqualTo(up(new HalfBand(14), x, 3000));
    }

    @Test
    void aConstantStaysOneAndAResetForgetsIt() {
        float[] one = new float[1000];
        Arrays.fill(one, 1);
        HalfBand h = new HalfBand(SHARP);
        float[] y = up(h, one, 1000);
        for (int i = 400; i < y.length; i++) assertThat(y[i]).isCloseTo(1, within(1e-4f));
        h.reset();
        assertThat(up(h, new float[100], 100)).containsOnly(0);
    }
}
