package verisonus.core.sound;

import java.util.Arrays;

/**
 * Running convolution with a fixed impulse response: uniformly partitioned overlap-save (F. Wefers, "Partitioned
 * convolution algorithms for real-time auralization", 2015). Latency is {@link #latency()} samples.
 */
public final class Convolution {
    private final int block;
    private final RealFft fft;
    private final Spectrum[] parts;
    private final Spectrum[] history;
    private final Spectrum sum;
    private final float[] window;
    private final float[] packed;
    private final float[] out;
    private int newest;
    private int filled;

    /** Real and imaginary parts apart, so that the compiler multiplies many at a time; in the first bin stand the two real ends. */
    private static final class Spectrum {
        private final float[] re;
        private final float[] im;

        Spectrum(int bins) {
            re = new float[bins];
            im = new float[bins];
        }

        void unpack(float[] packed) {
            for (int k = 0; k < re.length; k++) {
                re[k] = packed[2 * k];
                im[k] = packed[2 * k + 1];
            }
        }

        void pack(float[] packed) {
            for (int k = 0; k < re.length; k++) {
                packed[2 * k] = re[k];
                packed[2 * k + 1] = im[k];
            }
        }

        void addProduct(Spectrum a, Spectrum b) {
            float low = re[0] + a.re[0] * b.re[0];
            float high = im[0] + a.im[0] * b.im[0];
            addReal(re, a, b);
            addImaginary(im, a, b);
            re[0] = low;
            im[0] = high;
        }

        private static void addReal(float[] out, Spectrum a, Spectrum b) {
            float[] ar = a.re;
            float[] ai = a.im;
            float[] br = b.re;
            float[] bi = b.im;
            for (int k = 0; k < out.length; k++) out[k] += ar[k] * br[k] - ai[k] * bi[k];
        }

        private static void addImaginary(float[] out, Spectrum a, Spectrum b) {
            float[] ar = a.re;
            float[] ai = a.im;
            float[] br = b.re;
            float[] bi = b.im;
            for (int k = 0; k < out.length; k++) out[k] += ar[k] * bi[k] + ai[k] * br[k];
        }

        void clear() {
            Arrays.fill(re, 0);
            Arrays.fill(im, 0);
        }
    }

    /**
     * @param impulse the response, at the rate of the signal
     * @param block partition length, a power of two; also the latency
     */
    public Convolution(float[] impulse, int block) {
        this.block = block;
        this.fft = new RealFft(2 * block);
        int n = Math.max(1, (impulse.length + block - 1) / block);
        parts = new Spectrum[n];
        history = new Spectrum[n];
        for (int p = 0; p < n; p++) {
            int from = Math.min(impulse.length, p * block);
            int to = Math.min(impulse.length, from + block);
            float[] part = Arrays.copyOf(Arrays.copyOfRange(impulse, from, to), 2 * block);
            fft.forward(part);
            parts[p] = new Spectrum(block);
            parts[p].unpack(part);
            history[p] = new Spectrum(block);
        }
        window = new float[2 * block];
        sum = new Spectrum(block);
        packed = new float[2 * block];
        out = new float[block];
    }

    public int latency() {
        return block;
    }

    /** Filters in place; the output lags the input by {@link #latency()}. */
    public void process(float[] x, int from, int to) {
        int i = from;
        while (i < to) {
            int n = Math.min(to - i, block - filled);
            System.arraycopy(x, i, window, block + filled, n);
            System.arraycopy(out, filled, x, i, n);
            filled += n;
            i += n;
            if (filled == block) transformBlock();
        }
    }

    private void transformBlock() {
        filled = 0;
        newest = (newest + 1) % parts.length;
        System.arraycopy(window, 0, packed, 0, 2 * block);
        fft.forward(packed);
        history[newest].unpack(packed);
        sum.clear();
        for (int p = 0; p < parts.length; p++) {
            sum.addProduct(history[(newest - p + parts.length) % parts.length], parts[p]);
        }
        sum.pack(packed);
        fft.inverse(packed);
        System.arraycopy(packed, block, out, 0, block);
        System.arraycopy(window, block, window, 0, block);
    }

    public void reset() {
        for (Spectrum h : history) h.clear();
        Arrays.fill(window, 0);
        Arrays.fill(out, 0);
        filled = 0;
    }
}
