package verisonus.core.sound;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class TransformTest {
    private static final long SEED = 7;

    @Nested
    class Fourier {
        @ParameterizedTest
        @ValueSource(ints = {4, 16, 256, 2048})
        void inverseOfForwardIsTheInput(int n) {
            float[] x = Signal.noise(SEED).samples(n);
            float[] y = x.clone();
            RealFft fft = new RealFft(n);
            fft.forward(y);
            fft.inverse(y);
            for (int i = 0; i < n; i++) assertThat(y[i]).as("n %d, sample %d", n, i).isCloseTo(x[i], within(1e-5f));
        }

        @Test
        void agreesWithTheDefinition() {
            int n = 16;
            float[] x = Signal.noise(SEED).samples(n);
            float[] packed = x.clone();
            new RealFft(n).forward(packed);
            for (int k = 1; k < n / 2; k++) {
                double re = 0;
                double im = 0;
                for (int i = 0; i < n; i++) {
                    re += x[i] * Math.cos(2 * Math.PI * k * i / n);
                    im -= x[i] * Math.sin(2 * Math.PI * k * i / n);
                }
                assertThat((double) packed[2 * k]).isCloseTo(re, within(1e-5));
                assertThat((double) packed[2 * k + 1]).isCloseTo(im, within(1e-5));
            }
        }

        @Test
        void energyIsTheSameBeforeAndAfter() {
            int n = 1024;
            float[] x = Signal.noise(SEED).samples(n);
            double before = 0;
            for (float v : x) before += v * v;
            RealFft fft = new RealFft(n);
            float[] packed = x.clone();
            fft.forward(packed);
            float[] power = new float[n / 2 + 1];
            fft.power(packed, power);
            double after = power[0] + power[n / 2];
            for (int k = 1; k < n / 2; k++) after += 2 * power[k];
            assertThat(after / n).isCloseTo(before, within(1e-3 * before));
        }

        @Test
        void sizesArePowersOfTwo() {
            assertThat(RealFft.sizeFor(1)).isEqualTo(1);
            assertThat(RealFft.sizeFor(1000)).isEqualTo(1024);
            assertThat(RealFft.sizeFor(1024)).isEqualTo(1024);
        }
    }

    @Nested
    class ShortTime {
        @Test
        void fullScaleSineOnABinReadsAQuarter() {
            Stft stft = new Stft(1024, 512);
            float[] x = Signal.sine(20 * 48000.0 / 1024).samples(4096);
            for (float[] frame : stft.power(x)) assertThat(frame[20]).isCloseTo(0.25f, within(1e-3f));
        }

        @Test
        void framesLieWhollyInside() {
            assertThat(new Stft(1024, 256).frames(1023)).isZero();
            assertThat(new Stft(1024, 256).frames(1024)).isOne();
            assertThat(new Stft(1024, 256).frames(1024 + 256)).isEqualTo(2);
        }
    }

    @Nested
    class ByConvolution {
        @ParameterizedTest
        @ValueSource(ints = {32, 64, 256})
        void agreesWithTheSumWhateverThePartition(int block) {
            float[] h = Signal.noise(1).samples(300);
            float[] x = Signal.noise(2).samples(2000);
            Convolution c = new Convolution(h, block);
            float[] y = java.util.Arrays.copyOf(x, x.length + c.latency());
            c.process(y, 0, y.length);
            for (int i = 0; i < x.length; i += 37) {
                double sum = 0;
                for (int k = 0; k <= Math.min(i, h.length - 1); k++) sum += h[k] * x[i - k];
                assertThat((double) y[i + c.latency()]).as("sample %d", i).isCloseTo(sum, within(1e-3));
            }
        }

        @Test
        void blocksOfAnySizeGiveTheSame() {
            float[] h = Signal.noise(1).samples(100);
            float[] whole = Signal.noise(2).samples(1000);
            float[] parts = whole.clone();
            new Convolution(h, 64).process(whole, 0, 1000);
            Convolution c = new Convolution(h, 64);
            for (int at = 0; at < 1000; at += 77) c.process(parts, at, Math.min(1000, at + 77));
            assertThat(parts).isEqualTo(whole);
        }

        @Test
        void resetForgets() {
            Convolution c = new Convolution(new float[]{1, 1, 1}, 32);
            c.process(Signal.noise(3).samples(100), 0, 100);
            c.reset();
            float[] silence = new float[100];
            c.process(silence, 0, 100);
            for (float v : silence) assertThat(Math.abs(v)).isZero();
        }
    }

    @Test
    void minimumPhaseKeepsTheMagnitudeAndComesEarly() {
        double[] db = new double[513];
        for (int k = 0; k < db.length; k++) db[k] = 6 * Math.sin(k / 60.0);
        float[] h = MinimumPhase.impulse(db, 1024);
        float[] spectrum = java.util.Arrays.copyOf(h, 1024);
        RealFft fft = new RealFft(1024);
        fft.forward(spectrum);
        float[] power = new float[513];
        fft.power(spectrum, power);
        for (int k = 20; k < 490; k += 30) {
            assertThat(Decibels.fromPower(power[k])).as("bin %d", k).isCloseTo(db[k], within(0.2));
        }
        assertThat(Signal.rmsDb(h, 0, 64)).isGreaterThan(Signal.rmsDb(h, 512, 1024) + 30);
    }
}
