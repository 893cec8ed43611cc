package verisonus.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What another sampling rate must leave as it is, and what it must not let through. */
class ResamplerTest {
    private static float[] sine(double hz, int rateHz, double seconds) {
        float[] x = new float[(int) (seconds * rateHz)];
        for (int i = 0; i < x.length; i++) x[i] = (float) (0.5 * Math.sin(2 * Math.PI * hz * i / rateHz));
        return x;
    }

    /** RMS away from the ends, where nothing stood before the first sample. */
    private static double rms(float[] x) {
        double sum = 0;
        int edge = x.length / 8;
        for (int i = edge; i < x.length - edge; i++) sum += (double) x[i] * x[i];
        return Math.sqrt(sum / (x.length - 2 * edge));
    }

    @ParameterizedTest
    @CsvSource({"44100,48000,997", "48000,44100,15000", "96000,48000,997", "48000,22050,9000", "48000,96000,19000"})
    void aToneInThePassBandKeepsItsLevelAndItsPlaceInTime(int from, int to, double hz) {
        float[] y = Resampler.between(from, to).resample(sine(hz, from, 0.5));
        float[] wanted = sine(hz, to, 0.5);
        float[] off = new float[Math.min(y.length, wanted.length)];
        for (int i = 0; i < off.length; i++) off[i] = y[i] - wanted[i];
        assertThat(20 * Math.log10(rms(y) / rms(wanted))).isCloseTo(0, within(0.01));
        assertThat(20 * Math.log10(rms(off) / rms(wanted))).as("the same sample by sample").isLessThan(-60);
    }

    @ParameterizedTest
    @CsvSource({"48000,22050,14000", "96000,48000,30000", "48000,44100,23500"})
    void whatTheLowerRateCannotHoldIsTakenOut(int from, int to, double hz) {
        float[] y = Resampler.between(from, to).resample(sine(hz, from, 0.5));
        assertThat(20 * Math.log10(rms(y) / rms(sine(hz, from, 0.5)))).isLessThan(-90);
    }

    @Test
    void theQuickOneIsRightWhereItSaysSo() {
        float[] low = Resampler.quick(48000, 22050).resample(sine(8000, 48000, 0.5));
        assertThat(20 * Math.log10(rms(low) / rms(sine(8000, 22050, 0.5)))).isCloseTo(0, within(0.1));
        float[] high = Resampler.quick(48000, 22050).resample(sine(14000, 48000, 0.5));
        assertThat(20 * Math.log10(rms(high) / 0.3535)).isLessThan(-65);
    }

    @Test
    void aSteadyLevelStaysSteady() {
        float[] one = new float[4800];
        java.util.Arrays.fill(one, 0.25f);
        float[] y = Resampler.between(48000, 44100).resample(one);
        for (int i = 400; i < y.length - 400; i++) assertThat((double) y[i]).isCloseTo(0.25, within(1e-4));
    }

    @Test
    void thereAndBackIsNearlyNothing() {
        float[] x = sine(3000, 44100, 0.5);
        float[] back = Resampler.between(48000, 44100).resample(Resampler.between(44100, 48000).resample(x));
        float[] off = new float[Math.min(x.length, back.length)];
        for (int i = 0; i < off.length; i++) off[i] = x[i] - back[i];
        assertThat(20 * Math.log10(rms(off) / rms(x))).isLessThan(-80);
    }
}
