package verisonus.core.trial.open;

import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;

/**
 * Only what one sound has more of than another, moment by moment and band by band: each bin keeps the share of its level that the
 * other one lacks, levels smoothed over a third of an octave and {@value #SMOOTH} frames of 21 ms, so that fine timing of other playing
 * does not count. Nothing is lifted: what is left sounds as loud as it is in the whole.
 *
 * @param sound what only the one has
 * @param underWholeLu how far it lies under the whole, LU; infinite where nothing is left
 */
public record OnlyWhatDiffers(Sound sound, double underWholeLu) {
    private static final int SIZE = 4096;
    private static final int HOP = SIZE / 4;
    private static final int SMOOTH = 5;
    /** A level within this share is no difference. */
    private static final double SAME_DB = 1;

    /** What {@code one} has and {@code other} lacks; both as loud as each other, one rate, beginning together. */
    public static OnlyWhatDiffers of(Sound one, Sound other) {
        float[][] a = smoothed(one.mid());
        float[][] b = smoothed(other.mid());
        float[][] out = new float[one.channels().length][];
        for (int c = 0; c < out.length; c++) out[c] = kept(one.channel(c), a, b);
        Sound left = new Sound(out, one.rateHz());
        double whole = LoudnessMeter.integratedLufs(one).orElse(Double.NaN);
        var rest = LoudnessMeter.integratedLufs(left);
        return new OnlyWhatDiffers(left, rest.isEmpty() ? Double.POSITIVE_INFINITY : whole - rest.getAsDouble());
    }

    private static float[] kept(float[] x, float[][] a, float[][] b) {
        float[] window = Stft.hann(SIZE);
        RealFft fft = new RealFft(SIZE);
        float[] out = new float[x.length];
        double same = Math.pow(10, -SAME_DB / 20);
        int frames = Math.min(a.length, b.length);
        float[] buffer = new float[SIZE];
        // Four Hann windows lie over each other; squared they sum to this.
        float scale = 1 / 1.5f;
        for (int t = 0; t < frames; t++) {
            int from = t * HOP - SIZE / 2;
            for (int i = 0; i < SIZE; i++) {
                int k = from + i;
                buffer[i] = k >= 0 && k < x.length ? x[k] * window[i] : 0;
            }
            fft.forward(buffer);
            for (int k = 0; k <= SIZE / 2; k++) {
                double ratio = Math.sqrt((b[t][k] + 1e-14) / (a[t][k] + 1e-14));
                float keep = (float) (ratio >= same ? 0 : 1 - ratio);
                if (k == 0) buffer[0] *= keep;
                else if (k == SIZE / 2) buffer[1] *= keep;
                else {
                    buffer[2 * k] *= keep;
                    buffer[2 * k + 1] *= keep;
                }
            }
            fft.inverse(buffer);
            for (int i = 0; i < SIZE; i++) {
                int k = from + i;
                if (k >= 0 && k < out.length) out[k] += buffer[i] * window[i] * scale;
            }
        }
        return out;
    }

    private static float[][] smoothed(float[] x) {
        int frames = x.length / HOP + 1;
        float[] window = Stft.hann(SIZE);
        RealFft fft = new RealFft(SIZE);
        float[] buffer = new float[SIZE];
        float[] power = new float[SIZE / 2 + 1];
        float[][] raw = new float[frames][];
        for (int t = 0; t < frames; t++) {
            int from = t * HOP - SIZE / 2;
            for (int i = 0; i < SIZE; i++) {
                int k = from + i;
                buffer[i] = k >= 0 && k < x.length ? x[k] * window[i] : 0;
            }
            fft.forward(buffer);
            fft.power(buffer, power);
            raw[t] = thirds(power);
        }
        float[][] out = new float[frames][SIZE / 2 + 1];
        for (int t = 0; t < frames; t++) {
            int from = Math.max(0, t - SMOOTH / 2);
            int to = Math.min(frames, t + SMOOTH / 2 + 1);
            for (int s = from; s < to; s++)
                for (int k = 0; k < out[t].length; k++) out[t][k] += raw[s][k] / (to - from);
        }
        return out;
    }

    /** Each bin the mean of a third of an octave about it. */
    private static float[] thirds(float[] power) {
        double[] sum = new double[power.length + 1];
        for (int k = 0; k < power.length; k++) sum[k + 1] = sum[k] + power[k];
        float[] out = new float[power.length];
        double half = Math.pow(2, 1 / 6.0);
        for (int k = 0; k < out.length; k++) {
            int low = Math.max(0, Math.min(k - 1, (int) Math.floor(k / half)));
            int high = Math.min(power.length, Math.max(k + 2, (int) Math.ceil(k * half) + 1));
            out[k] = (float) ((sum[high] - sum[low]) / (high - low));
        }
        return out;
    }
}
