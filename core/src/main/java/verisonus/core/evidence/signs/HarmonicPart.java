package verisonus.core.evidence.signs;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;

/**
 * What rings against what strikes: medians of the spectrogram along time and along frequency make soft masks (D. FitzGerald,
 * "Harmonic/percussive separation using median filtering", DAFx-10). Frames of 93 ms, three quarters overlapping.
 */
public final class HarmonicPart {
    private static final int MEDIAN = 17;
    private static final int PIECE_S = 20;
    private final int size;
    private final int hop;
    private final int rateHz;

    /** @param rateHz of the sounds that will be taken apart */
    public HarmonicPart(int rateHz) {
        this.rateHz = rateHz;
        size = Math.max(256, Integer.highestOneBit((int) (0.13 * rateHz)));
        hop = size / 4;
    }

    /** The part that rings; the rest of the sound is what strikes. */
    public Sound of(Sound sound) {
        if (sound.rateHz() != rateHz) throw new IllegalArgumentException("rate " + sound.rateHz() + " Hz");
        float[][] out = new float[sound.channels().length][sound.frames()];
        int margin = MEDIAN * hop + 2 * size;
        // Piece by piece, so that a long recording needs no more memory than a short one.
        for (int from = 0; from < sound.frames(); from += PIECE_S * rateHz) {
            int to = Math.min(sound.frames(), from + PIECE_S * rateHz);
            Sound piece = sound.sliceFrames(Math.max(0, from - margin), Math.min(sound.frames(), to + margin));
            float[][] mask = mask(piece.mid());
            int skip = from - Math.max(0, from - margin);
            for (int c = 0; c < out.length; c++) {
                System.arraycopy(masked(piece.channel(c), mask), skip, out[c], from, to - from);
            }
        }
        return new Sound(out, rateHz);
    }

    /** Power of each frame and bin, frames × (size/2+1). */
    public float[][] powers(float[] x) {
        return new Stft(size, hop).power(padded(x));
    }

    /** A sound with each bin of each frame scaled; the mask as {@link #mask} lays it out. */
    public Sound through(Sound sound, float[][] mask) {
        float[][] out = new float[sound.channels().length][];
        for (int c = 0; c < out.length; c++) out[c] = masked(sound.channel(c), mask);
        return new Sound(out, sound.rateHz());
    }

    /** Share of what rings in each bin of each frame, 0 to 1; frames × (size/2+1). */
    public float[][] mask(float[] x) {
        float[][] power = powers(x);
        int bins = size / 2 + 1;
        float[][] mask = new float[power.length][bins];
        int half = MEDIAN / 2;
        SortedWindow[] along = new SortedWindow[bins];
        for (int k = 0; k < bins; k++) {
            along[k] = new SortedWindow(MEDIAN + 1);
            for (int t = 0; t < Math.min(half, power.length); t++) along[k].add(power[t][k]);
        }
        SortedWindow across = new SortedWindow(MEDIAN + 1);
        for (int t = 0; t < power.length; t++) {
            float[] row = power[t];
            float[] coming = t + half < power.length ? power[t + half] : null;
            float[] going = t > half ? power[t - half - 1] : null;
            across.clear();
            for (int k = 0; k < Math.min(half, bins); k++) across.add(row[k]);
            for (int k = 0; k < bins; k++) {
                move(along[k], coming, going, k);
                if (k > half && k + half < bins) {
                    across.replace(row[k - half - 1], row[k + half]);
                } else if (k > half) {
                    across.remove(row[k - half - 1]);
                } else if (k + half < bins) {
                    across.add(row[k + half]);
                }
                float rings = along[k].median();
                mask[t][k] = rings / (rings + across.median() + 1e-20f);
            }
        }
        return mask;
    }

    private static void move(SortedWindow window, float @Nullable [] coming, float @Nullable [] going, int k) {
        if (coming != null && going != null) {
            window.replace(going[k], coming[k]);
        } else if (coming != null) {
            window.add(coming[k]);
        } else if (going != null) {
            window.remove(going[k]);
        }
    }

    public int size() {
        return size;
    }

    public int hop() {
        return hop;
    }

    public float[] padded(float[] x) {
        float[] out = new float[x.length + 2 * size];
        System.arraycopy(x, 0, out, size, x.length);
        return out;
    }

    private float[] masked(float[] x, float[][] mask) {
        float[] in = padded(x);
        float[] out = new float[in.length];
        float[] window = Stft.hann(size);
        RealFft fft = new RealFft(size);
        float[] frame = new float[size];
        for (int t = 0; t < mask.length; t++) {
            for (int i = 0; i < size; i++) frame[i] = in[t * hop + i] * window[i];
            fft.forward(frame);
            frame[0] *= mask[t][0];
            frame[1] *= mask[t][size / 2];
            for (int k = 1; k < size / 2; k++) {
                frame[2 * k] *= mask[t][k];
                frame[2 * k + 1] *= mask[t][k];
            }
            fft.inverse(frame);
            // Squared Hann windows at a quarter's hop add to 1.5.
            for (int i = 0; i < size; i++) out[t * hop + i] += frame[i] * window[i] / 1.5f;
        }
        return Arrays.copyOfRange(out, size, size + x.length);
    }
}
