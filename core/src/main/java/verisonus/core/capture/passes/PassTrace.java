package verisonus.core.capture.passes;

import java.util.Arrays;
import verisonus.core.rig.GearKind;
import verisonus.core.sound.Bands;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;

/**
 * What is compared of a pass: levels by third octave, 20 ms after 20 ms, for the very same playing went in; of an echo or a space a tick
 * stands before it, whose repeats no note hides; of what moves, whose beginning nobody knows,
 * the mean spectrum and how much the level of each band sways at which rate under a steady noise.
 *
 * @param frameDb by frame and band, not under a floor; of what moves one frame each of the strings and of the noise
 * @param swayDb by band and rate, dB of level swing; empty of what does not move
 */
record PassTrace(float[][] frameDb, float[][] swayDb) {
    /** What may differ by this much weighs as one step, dB. */
    static final double STEP_DB = 3;
    /** A cell that differs by more counts as this, dB: one late note shall not decide. */
    private static final double MOST_DB = 15;
    /** Quieter than this against full scale nothing is compared, dB. */
    private static final double FLOOR_DB = -78;
    private static final int SIZE = 2048;
    private static final int HOP = 960;
    private static final int QUICK_SIZE = 1024;
    private static final int QUICK_HOP = 480;
    private static final double LEAST_RATE_HZ = 0.25;
    private static final double MOST_RATE_HZ = 13;
    private static final Bands BANDS = Bands.thirds(80, 10000);
    /** Low thirds are one bin or none of a short window; sway is read from here on. */
    private static final int SWAY_FROM = BANDS.nearest(160);

    static int bands() {
        return BANDS.count();
    }

    static double[] centresHz() {
        return BANDS.centresHz();
    }

    static PassTrace of(float[] pass, SendThrough sent) {
        if (sent.lingers()) {
            int size = sent.kind() == GearKind.ECHO ? QUICK_SIZE : SIZE;
            int hop = sent.kind() == GearKind.ECHO ? QUICK_HOP : HOP;
            return new PassTrace(frames(Arrays.copyOfRange(pass, sent.comparedFrom(), pass.length), size, hop),
                    new float[0][]);
        }
        if (!sent.moves())
            return new PassTrace(frames(Arrays.copyOfRange(pass, sent.comparedFrom(), pass.length), SIZE, HOP),
                    new float[0][]);
        float[] noise = Arrays.copyOfRange(pass, sent.noiseFrom(), sent.noiseTo());
        float[][] quick = frames(noise, QUICK_SIZE, QUICK_HOP);
        float[][] means = {mean(Arrays.copyOfRange(pass, sent.pluckedFrom(), sent.pluckedTo())), mean(noise)};
        return new PassTrace(means, sway(quick));
    }

    private static float[][] frames(float[] x, int size, int hop) {
        Stft stft = new Stft(size, hop);
        Bands.Grouping grouping = BANDS.grouping(size, Sound.WORKING_RATE_HZ);
        float[][] power = stft.power(x);
        float[][] out = new float[power.length][];
        for (int t = 0; t < out.length; t++) out[t] = db(grouping.sum(power[t]));
        return out;
    }

    private static float[] mean(float[] x) {
        return db(BANDS.longTermPower(x, Sound.WORKING_RATE_HZ));
    }

    private static float[] db(double[] power) {
        float[] out = new float[power.length];
        for (int b = 0; b < out.length; b++)
            out[b] = (float) Math.max(FLOOR_DB, 10 * Math.log10(power[b] + 1e-12));
        return out;
    }

    /** Magnitude by rate of each band's level over time, its mean taken off, under a Hann window. */
    private static float[][] sway(float[][] frames) {
        RealFft fft = new RealFft(RealFft.sizeFor(frames.length));
        float[] window = Stft.hann(frames.length);
        double perBin = (double) Sound.WORKING_RATE_HZ / QUICK_HOP / fft.size();
        int from = (int) Math.round(LEAST_RATE_HZ / perBin);
        int to = (int) Math.round(MOST_RATE_HZ / perBin);
        float[][] out = new float[BANDS.count() - SWAY_FROM][to - from];
        for (int b = 0; b < out.length; b++) {
            double mean = 0;
            for (float[] f : frames) mean += f[b + SWAY_FROM] / frames.length;
            float[] x = new float[fft.size()];
            for (int t = 0; t < frames.length; t++) x[t] = (float) ((frames[t][b + SWAY_FROM] - mean) * window[t]);
            fft.forward(x);
            for (int k = from; k < to; k++)
                out[b][k - from] = (float) (4 * Math.hypot(x[2 * k], x[2 * k + 1]) / frames.length);
        }
        return out;
    }

    /** Mean of this less the other where both are heard, dB. */
    double louderDb(PassTrace other, double[] curveDb) {
        double sum = 0;
        int n = 0;
        for (int t = 0; t < Math.min(frameDb.length, other.frameDb.length); t++) {
            for (int b = 0; b < BANDS.count(); b++) {
                if (frameDb[t][b] <= FLOOR_DB || other.frameDb[t][b] <= FLOOR_DB) continue;
                sum += frameDb[t][b] - other.frameDb[t][b] - curveDb[b];
                n++;
            }
        }
        return n == 0 ? 0 : sum / n;
    }

    /**
     * How unlike what was made is to this, in steps.
     *
     * @param curveDb by band, added to what was made before they are compared
     * @param levelCounts whether how loud it is counts too
     */
    double distance(PassTrace made, double[] curveDb, boolean levelCounts) {
        double louder = louderDb(made, curveDb);
        double sum = 0;
        int cells = 0;
        for (int t = 0; t < Math.min(frameDb.length, made.frameDb.length); t++) {
            for (int b = 0; b < BANDS.count(); b++) {
                double there = Math.max(FLOOR_DB, made.frameDb[t][b] <= FLOOR_DB
                        ? FLOOR_DB
                        : made.frameDb[t][b] + curveDb[b] + louder);
                double off = Math.min(MOST_DB, Math.abs(frameDb[t][b] - there));
                sum += off * off;
                cells++;
            }
        }
        double steps = sum / Math.max(1, cells) / (STEP_DB * STEP_DB);
        if (levelCounts) steps += louder * louder / (STEP_DB * STEP_DB);
        return Math.sqrt(steps + swaying(made));
    }

    private double swaying(PassTrace made) {
        double sum = 0;
        for (int b = 0; b < swayDb.length; b++) {
            double band = 0;
            for (int k = 0; k < swayDb[b].length; k++) band += Math.pow(swayDb[b][k] - made.swayDb[b][k], 2);
            sum += Math.min(MOST_DB * MOST_DB, band) / swayDb.length;
        }
        return sum / (STEP_DB * STEP_DB);
    }

    /** By band, this less the other over the louder frames: what no control of the other makes. */
    double[] lessDb(PassTrace other) {
        double[] out = new double[BANDS.count()];
        for (int b = 0; b < out.length; b++) {
            double sum = 0;
            double weight = 1e-9;
            for (int t = 0; t < Math.min(frameDb.length, other.frameDb.length); t++) {
                double heard = Math.min(frameDb[t][b], other.frameDb[t][b]) - FLOOR_DB;
                if (heard <= 0) continue;
                sum += heard * (frameDb[t][b] - other.frameDb[t][b]);
                weight += heard;
            }
            out[b] = sum / weight;
        }
        return out;
    }
}
