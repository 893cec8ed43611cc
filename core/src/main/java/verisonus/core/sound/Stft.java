package verisonus.core.sound;

/**
 * Short-time power spectra: periodic Hann window, frames that lie wholly inside the signal, frame t covering samples
 * t·hop to t·hop+size−1. Power is scaled so that a full-scale sine on a bin reads 0.25 there.
 */
public final class Stft {
    private final RealFft fft;
    private final int hop;
    private final float[] window;
    private final float scale;

    public Stft(int size, int hop) {
        this.fft = new RealFft(size);
        this.hop = hop;
        this.window = hann(size);
        this.scale = 4f / ((float) size * size);
    }

    /** Periodic Hann window: its copies at half the length add to one. */
    public static float[] hann(int size) {
        float[] w = new float[size];
        for (int i = 0; i < size; i++) w[i] = (float) (0.5 - 0.5 * Math.cos(2 * Math.PI * i / size));
        return w;
    }

    public int size() {
        return fft.size();
    }

    public int hop() {
        return hop;
    }

    /** How many frames a signal of this many samples has. */
    public int frames(int samples) {
        return samples < fft.size() ? 0 : (samples - fft.size()) / hop + 1;
    }

    /** Power by frame and bin, shape frames × (size/2+1). */
    public float[][] power(float[] x) {
        float[][] out = new float[frames(x.length)][];
        float[] buffer = new float[fft.size()];
        for (int t = 0; t < out.length; t++) {
            out[t] = new float[fft.size() / 2 + 1];
            frame(x, t, buffer, out[t]);
        }
        return out;
    }

    /** Power of one frame into {@code out}; {@code buffer} is scratch of the window's length. */
    public void frame(float[] x, int t, float[] buffer, float[] out) {
        int start = t * hop;
        for (int i = 0; i < buffer.length; i++) buffer[i] = x[start + i] * window[i];
        fft.forward(buffer);
        fft.power(buffer, out);
        for (int k = 0; k < out.length; k++) out[k] *= scale;
    }
}
