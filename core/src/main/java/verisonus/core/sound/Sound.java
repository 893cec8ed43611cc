package verisonus.core.sound;

import java.util.Arrays;

/**
 * Sampled sound: one or two channels of equal length at one rate, full scale 1.0. The arrays are shared, never copied
 * and never written to after construction; whoever changes samples makes a new sound.
 *
 * @param channels channel by sample, at least one channel, all of the same length
 * @param rateHz samples a second, 1 or more
 */
public record Sound(float[][] channels, int rateHz) {
    /** 80 dB under the peak: what a record fades into and no converter's noise reaches on a loud passage. */
    private static final double SILENT_SHARE = 1e-4;
    /** Rate at which everything is simulated and compared. */
    public static final int WORKING_RATE_HZ = 48000;
    /** Below this peak a region counts as silent: under the hiss of any recording that a guitar could be heard in. */
    public static final double SILENT_DBFS = -80;
    private static final double EMPTY_SIDE_DB = -70;
    private static final double OFFSET_DBFS = -50;

    public Sound {
        if (channels.length == 0) throw new IllegalArgumentException("a sound needs a channel");
        if (rateHz < 1) throw new IllegalArgumentException("rate " + rateHz + " Hz");
        for (float[] c : channels) {
            if (c.length != channels[0].length) throw new IllegalArgumentException("channels of unequal length");
        }
    }

    /** One channel. */
    public static Sound mono(float[] samples, int rateHz) {
        return new Sound(new float[][]{samples}, rateHz);
    }

    public static Sound stereo(float[] left, float[] right, int rateHz) {
        return new Sound(new float[][]{left, right}, rateHz);
    }

    public int frames() {
        return channels[0].length;
    }

    public double durationS() {
        return (double) frames() / rateHz;
    }

    public boolean isStereo() { return channels.length == 2; }

    public float[] channel(int index) {
        return channels[index];
    }

    /** Mean of the channels; for one channel that channel itself. */
    public float[] mid() {
        return isStereo() ? combine(0.5f, 0.5f) : channels[0];
    }

    /** Half the difference left minus right; silence for one channel. */
    public float[] side() {
        return isStereo() ? combine(0.5f, -0.5f) : new float[frames()];
    }

    /**
     * One channel where both hold the same: a file of two equal channels says no more than one of a single channel. Equal is what
     * differs by {@value #EMPTY_SIDE_DB} dB or less of what is common, under the rounding of any recording.
     */
    public Sound withoutEmptySide() {
        if (!isStereo()) return this;
        double same = 0;
        double apart = 0;
        for (int i = 0; i < frames(); i++) {
            double m = (double) channels[0][i] + channels[1][i];
            double s = (double) channels[0][i] - channels[1][i];
            same += m * m;
            apart += s * s;
        }
        return apart <= same * Math.pow(10, EMPTY_SIDE_DB / 10) ? mono(mid(), rateHz) : this;
    }

    private float[] combine(float a, float b) {
        float[] out = new float[frames()];
        for (int i = 0; i < out.length; i++) out[i] = a * channels[0][i] + b * channels[1][i];
        return out;
    }

    /** The part from one time to another; both are clamped to the sound. */
    public Sound slice(double fromS, double toS) {
        int from = (int) Math.clamp(Math.round(fromS * rateHz), 0, frames());
        int to = (int) Math.clamp(Math.round(toS * rateHz), from, frames());
        return sliceFrames(from, to);
    }

    /** The part from one frame (included) to another (excluded). */
    public Sound sliceFrames(int from, int to) {
        if (from == 0 && to == frames()) return this;
        float[][] out = new float[channels.length][];
        for (int c = 0; c < out.length; c++) out[c] = Arrays.copyOfRange(channels[c], from, to);
        return new Sound(out, rateHz);
    }

    /** Without what is silent before and after it: everything more than 80 dB under the peak, as an empty track or a late start leaves it. */
    public Sound withoutSilentEnds() {
        double least = SILENT_SHARE * peak();
        int from = 0;
        int to = frames();
        while (from < to && isUnder(from, least)) from++;
        while (to > from && isUnder(to - 1, least)) to--;
        return from == to ? this : sliceFrames(from, to);
    }

    private boolean isUnder(int frame, double least) {
        for (float[] c : channels) if (Math.abs(c[frame]) > least) return false;
        return true;
    }

    /** Exactly this many frames: cut, or followed by silence. */
    public Sound withFrames(int frames) {
        if (frames == frames()) return this;
        float[][] out = new float[channels.length][];
        for (int c = 0; c < out.length; c++) out[c] = Arrays.copyOf(channels[c], frames);
        return new Sound(out, rateHz);
    }

    /** The same sound, louder or softer by a gain in dB. */
    public Sound gained(double gainDb) {
        float g = (float) Decibels.toAmplitude(gainDb);
        float[][] out = new float[channels.length][frames()];
        for (int c = 0; c < out.length; c++) {
            for (int i = 0; i < out[c].length; i++) out[c][i] = channels[c][i] * g;
        }
        return new Sound(out, rateHz);
    }

    /** At another rate, by {@link Resampler}; itself when the rate is the same. */
    public Sound atRate(int targetHz) {
        return targetHz == rateHz ? this : Resampler.between(rateHz, targetHz).resample(this);
    }

    /**
     * Without a constant level under it, which nobody hears and which a converter or a spoiled file leaves; itself where there is none
     * over {@value #OFFSET_DBFS} dBFS.
     */
    public Sound withoutOffset() {
        double[] mean = new double[channels.length];
        boolean any = false;
        for (int c = 0; c < mean.length; c++) {
            for (float v : channels[c]) mean[c] += v / (double) Math.max(1, frames());
            any |= Decibels.fromAmplitude(Math.abs(mean[c])) > OFFSET_DBFS;
        }
        if (!any) return this;
        float[][] out = new float[channels.length][frames()];
        for (int c = 0; c < out.length; c++)
            for (int i = 0; i < out[c].length; i++) out[c][i] = (float) (channels[c][i] - mean[c]);
        return new Sound(out, rateHz);
    }

    /** Root mean square over all channels; 0 for no frames. */
    public double rms() {
        double sum = 0;
        for (float[] c : channels) {
            for (float v : c) sum += (double) v * v;
        }
        return frames() == 0 ? 0 : Math.sqrt(sum / ((double) frames() * channels.length));
    }

    /** Largest absolute sample of any channel. */
    public double peak() {
        double peak = 0;
        for (float[] c : channels) {
            for (float v : c) peak = Math.max(peak, Math.abs(v));
        }
        return peak;
    }
}
