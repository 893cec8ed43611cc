package verisonus.core.sound;

import java.util.Arrays;

/**
 * Running convolution with a fixed impulse response: uniformly partitioned overlap-save (F. Wefers, "Partitioned
 * convolution algorithms for real-time auralization", 2015). Latency is {@link #latency()} samples.
 */
public final class Convolution {
    private final int block;
    private final RealFft fft;
    private final float[][] parts;
    private final float[][] history;
    private final float[] window;
    private final float[] sum;
    private final float[] out;
    private int newest;
    private int filled;

    /**
     * @param impulse the response, at the rate of the signal
     * @param block partition length, a power of two; also the latency
     */
    public Convolution(float[] impulse, int block) {
        this.block = block;
        this.fft = new RealFft(2 * block);
        int n = Math.max(1, (impulse.length + block - 1) / block);
        parts = new float[n][];
        history = new float[n][2 * block];
        for (int p = 0; p < n; p++) {
            int from = Math.min(impulse.length, p * block);
            int to = Math.min(impulse.length, from + block);
            parts[p] = Arrays.copyOf(Arrays.copyOfRange(impulse, from, to), 2 * block);
            fft.forward(parts[p]);
        }
        window = new float[2 * block];
        sum = new float[2 * block];
        out = new float[block];
    }

    public int latency() {
        return block;
    }

    /** Filters in place; the output lags the input by {@link #latency()}. */
    public void process(float[] x, int from, int to) {
        for (int i = from; i < to; i++) {
            window[block + filled] = x[i];
            x[i] = out[filled];
            if (++filled == block) transformBlock();
        }
    }

    private void transformBlock() {
        filled = 0;
        newest = (newest + 1) % parts.length;
        System.arraycopy(window, 0, history[newest], 0, 2 * block);
        fft.forward(history[newest]);
        Arrays.fill(sum, 0);
        for (int p = 0; p < parts.length; p++) {
            accumulate(history[(newest - p + parts.length) % parts.length], parts[p]);
        }
        fft.inverse(sum);
        System.arraycopy(sum, block, out, 0, block);
        System.arraycopy(window, block, window, 0, block);
    }

    private void accumulate(float[] a, float[] b) {
        sum[0] += a[0] * b[0];
        sum[1] += a[1] * b[1];
        for (int k = 2; k < sum.length; k += 2) {
            sum[k] += a[k] * b[k] - a[k + 1] * b[k + 1];
            sum[k + 1] += a[k] * b[k + 1] + a[k + 1] * b[k];
        }
    }

    public void reset() {
        for (float[] h : history) Arrays.fill(h, 0);
        Arrays.fill(window, 0);
        Arrays.fill(out, 0);
        filled = 0;
    }
}
