package verisonus.core.sound.codec;

import java.util.Arrays;

/** Gathers decoded blocks of unknown number into channels that grow. */
final class SampleSink {
    private final float[][] channels;
    private int frames;

    SampleSink(int channelCount) {
        channels = new float[channelCount][1 << 16];
    }

    void add(int channel, long[] samples, int count, float scale) {
        reserve(count);
        float[] out = channels[channel];
        for (int i = 0; i < count; i++) out[frames + i] = samples[i] * scale;
    }

    /** Silence in the place of what could not be read. */
    void silence(int count) {
        reserve(count);
        for (float[] c : channels) Arrays.fill(c, frames, frames + count, 0);
        frames += count;
    }

    int channelCount() {
        return channels.length;
    }

    void add(int channel, float[] samples, int from, int count) {
        reserve(count);
        System.arraycopy(samples, from, channels[channel], frames, count);
    }

    /** Interleaved 16-bit samples of all channels; advances by itself. */
    void addInterleaved(short[] samples, int length) {
        int count = length / channels.length;
        reserve(count);
        for (int i = 0; i < count; i++) {
            for (int c = 0; c < channels.length; c++)
                channels[c][frames + i] = samples[i * channels.length + c] / 32768f;
        }
        frames += count;
    }

    void advance(int count) {
        frames += count;
    }

    int frames() {
        return frames;
    }

    private void reserve(int count) {
        if (frames + count <= channels[0].length) return;
        int size = Math.max(frames + count, channels[0].length * 2);
        for (int c = 0; c < channels.length; c++) channels[c] = Arrays.copyOf(channels[c], size);
    }

    float[][] channels() {
        float[][] out = new float[channels.length][];
        for (int c = 0; c < out.length; c++) out[c] = Arrays.copyOf(channels[c], frames);
        return out;
    }
}
