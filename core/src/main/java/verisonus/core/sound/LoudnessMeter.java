package verisonus.core.sound;

import java.util.Arrays;
import java.util.OptionalDouble;

/**
 * Loudness by ITU-R BS.1770: K weighting, 400 ms blocks with 75 % overlap, gates at −70 LUFS and 10 LU below the
 * ungated mean; range by EBU Tech 3342 (3 s, gates −70 LUFS and −20 LU, 10th to 95th percentile); true peak by fourfold
 * oversampling. One channel counts once (not as two). Within 0.1 LU of independent meters.
 */
public final class LoudnessMeter {
    private static final double ABSOLUTE_GATE_LUFS = -70;
    /** Frames that are looked at together for a peak between them. */
    private static final int PIECE = 32;
    private static final double HOP_S = 0.1;
    private static final double MOMENT_S = 0.4;
    private static final double SHORT_TERM_S = 3;
    private static final double OFFSET_DB = -0.691;

    private LoudnessMeter() {}

    /**
     * Loudness and its range, measured in one go.
     *
     * @param integratedLufs as {@link LoudnessMeter#integratedLufs}
     * @param rangeLu as {@link LoudnessMeter#rangeLu}
     */
    public record Loudness(OptionalDouble integratedLufs, OptionalDouble rangeLu) {}

    /** Both at the price of one. */
    public static Loudness loudness(Sound sound) {
        double[] hops = hopEnergy(sound);
        return new Loudness(integrated(blocks(sound, hops, MOMENT_S)), range(blocks(sound, hops, SHORT_TERM_S)));
    }

    /** Integrated loudness, LUFS; absent where every block is below the absolute gate or the sound is under 0.4 s. */
    public static OptionalDouble integratedLufs(Sound sound) {
        return integrated(blocks(sound, hopEnergy(sound), MOMENT_S));
    }

    private static OptionalDouble integrated(double[] blocks) {
        double[] loud = Arrays.stream(blocks).filter(p -> lufs(p) > ABSOLUTE_GATE_LUFS).toArray();
        if (loud.length == 0) return OptionalDouble.empty();
        double gate = lufs(mean(loud)) - 10;
        return OptionalDouble.of(lufs(mean(Arrays.stream(loud).filter(p -> lufs(p) > gate).toArray())));
    }

    /** Loudness range, LU; absent under 3 s of sound above the gate. */
    public static OptionalDouble rangeLu(Sound sound) {
        return range(blocks(sound, hopEnergy(sound), SHORT_TERM_S));
    }

    private static OptionalDouble range(double[] blocks) {
        double[] loud = Arrays.stream(blocks).filter(p -> lufs(p) > ABSOLUTE_GATE_LUFS).toArray();
        if (loud.length < 2) return OptionalDouble.empty();
        double gate = lufs(mean(loud)) - 20;
        double[] kept = Arrays.stream(loud).map(LoudnessMeter::lufs).filter(l -> l > gate).sorted().toArray();
        return OptionalDouble.of(percentile(kept, 0.95) - percentile(kept, 0.10));
    }

    /** Largest value of the signal between samples too, dBTP. */
    public static double truePeakDbtp(Sound sound) {
        double peak = sound.peak();
        Resampler four = Resampler.quick(sound.rateHz(), 4 * sound.rateHz());
        double gain = four.mostGain();
        for (float[] c : sound.channels()) {
            for (int at = 0; at < c.length; at += PIECE) {
                // Between soft frames nothing can be larger than what was found already.
                if (gain * largest(c, at - four.reach(), at + PIECE + four.reach()) <= peak) continue;
                peak = Math.max(peak, four.largest(c, at, Math.min(c.length, at + PIECE)));
            }
        }
        return Decibels.fromAmplitude(peak);
    }

    private static float largest(float[] x, int from, int to) {
        float most = 0;
        for (int i = Math.max(0, from); i < Math.min(x.length, to); i++) most = Math.max(most, Math.abs(x[i]));
        return most;
    }

    private static double lufs(double power) {
        return OFFSET_DB + 10 * Math.log10(power + 1e-20);
    }

    /** Weighted energy of all channels in each 100 ms. */
    private static double[] hopEnergy(Sound sound) {
        int hop = hop(sound);
        double[] out = new double[sound.frames() / hop];
        for (float[] channel : sound.channels()) addWeightedEnergy(channel, sound.rateHz(), hop, out);
        return out;
    }

    private static int hop(Sound sound) {
        return (int) Math.round(HOP_S * sound.rateHz());
    }

    /** Mean weighted power, summed over channels, of blocks of this length every 100 ms. */
    private static double[] blocks(Sound sound, double[] hopEnergy, double blockS) {
        int perBlock = (int) Math.round(blockS / HOP_S);
        if (hopEnergy.length < perBlock) return new double[0];
        double[] blocks = new double[hopEnergy.length - perBlock + 1];
        for (int b = 0; b < blocks.length; b++) {
            double sum = 0;
            for (int h = 0; h < perBlock; h++) sum += hopEnergy[b + h];
            blocks[b] = sum / ((double) perBlock * hop(sound));
        }
        return blocks;
    }

    private static void addWeightedEnergy(float[] x, int rateHz, int hop, double[] hopEnergy) {
        Biquad.Section shelf = new Biquad.Section(headShelf(rateHz));
        Biquad.Section highPass = new Biquad.Section(lowCut(rateHz));
        for (int h = 0; h < hopEnergy.length; h++) {
            double sum = 0;
            for (int i = h * hop; i < (h + 1) * hop; i++) {
                double y = highPass.next(shelf.next(x[i]));
                sum += y * y;
            }
            hopEnergy[h] += sum;
        }
    }

    /** First stage of the K weighting: the standard's 48 kHz filter, derived for any rate from its analogue form. */
    static Biquad headShelf(double rateHz) {
        double k = Math.tan(Math.PI * 1681.974450955533 / rateHz);
        double q = 0.7071752369554196;
        double vh = Decibels.toAmplitude(3.999843853973347);
        double vb = Math.pow(vh, 0.4996667741545416);
        double a0 = 1 + k / q + k * k;
        return new Biquad((vh + vb * k / q + k * k) / a0, 2 * (k * k - vh) / a0, (vh - vb * k / q + k * k) / a0,
                2 * (k * k - 1) / a0, (1 - k / q + k * k) / a0);
    }

    /** Second stage of the K weighting. */
    static Biquad lowCut(double rateHz) {
        double k = Math.tan(Math.PI * 38.13547087602444 / rateHz);
        double q = 0.5003270373238773;
        double a0 = 1 + k / q + k * k;
        return new Biquad(1, -2, 1, 2 * (k * k - 1) / a0, (1 - k / q + k * k) / a0);
    }

    private static double mean(double[] v) {
        return Arrays.stream(v).average().orElse(0);
    }

    private static double percentile(double[] sorted, double p) {
        return sorted[(int) Math.round((sorted.length - 1) * p)];
    }
}
