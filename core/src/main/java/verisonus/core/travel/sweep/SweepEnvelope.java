package verisonus.core.travel.sweep;

import java.util.Arrays;
import verisonus.core.sound.Sound;

/**
 * The level of a recording while the sweep runs through it, moment by moment: as each moment has one frequency, a moment that is missing looks
 * like a hole in the response, and only here can be told from one.
 *
 * @param levelDb of frames of 10 ms from the sweep's begin
 * @param noiseDb of the silence before it
 */
record SweepEnvelope(double[] levelDb, double noiseDb) {
    static final double FRAME_S = 0.01;
    private static final int FRAME = (int) (FRAME_S * Sound.WORKING_RATE_HZ);
    private static final double SILENCE_S = 0.17;
    /** So far from a hole its surroundings are looked at, frames: nearer the room still rings into it. */
    private static final int NEAR = 8;
    private static final int FAR = 25;
    /** A hole this much deeper than both its sides for 20 ms: no room has one that is as wide and as deep above 150 Hz. */
    private static final double HOLE_DB = 30;
    private static final int HOLE_FRAMES = 2;
    /** What is softer for longer than this is another system, not a moment: a third of an octave of the sweep takes a fifth of a second. */
    private static final int LONGEST_HOLE_FRAMES = 30;
    private static final double HOLES_FROM_HZ = 150;
    /** A sample never stands at nothing for 5 ms in a sound that was recorded. */
    private static final int DEAD_SAMPLES = 240;
    private static final double OVER_NOISE_DB = 15;
    /** Two runs of one system are within a few tenths of a decibel in every moment that stands out of the noise. */
    private static final double APART_DB = 3;
    /** A loudspeaker rises by 2 dB at most within 20 ms of a sweep; a switch that opens jumps. */
    private static final double JUMP_DB = 15;
    /** All that came before stands this much under what follows at once: no loudspeaker begins so. */
    private static final double MUTED_DB = 25;

    /** @param startsAt frame of the recording at which the sweep begins */
    static SweepEnvelope of(float[] x, ExponentialSweep sweep, int startsAt) {
        double[] out = new double[sweep.frames() / FRAME];
        for (int i = 0; i < out.length; i++) out[i] = db(x, startsAt + i * FRAME, FRAME);
        int lead = startsAt - sweep.leadFrames();
        int silence = (int) (SILENCE_S * Sound.WORKING_RATE_HZ);
        // Before the tones; where that was not recorded, right before the sweep, where a room may ring on.
        return new SweepEnvelope(out, db(x, lead >= 0 ? lead + FRAME : startsAt - silence - FRAME, silence));
    }

    private static double db(float[] x, int from, int n) {
        double sum = 0;
        int count = 0;
        for (int i = Math.max(0, from); i < Math.min(x.length, from + n); i++) {
            sum += (double) x[i] * x[i];
            count++;
        }
        return 10 * Math.log10(sum / Math.max(1, count) + 1e-14);
    }

    /** Whether the sound was gone for a moment, as far as one run can tell. */
    boolean hasHole(float[] x, ExponentialSweep sweep, int startsAt) {
        int from = sweep.frameOf(HOLES_FROM_HZ) / FRAME;
        int run = 0;
        for (int i = from; i + FAR < levelDb.length; i++) {
            double sides = Math.min(median(i - FAR, i - NEAR), median(i + NEAR, i + FAR));
            boolean deep = levelDb[i] < sides - HOLE_DB && sides > noiseDb + OVER_NOISE_DB;
            run = deep ? run + 1 : 0;
            if (run >= HOLE_FRAMES) return true;
        }
        return isDead(x, startsAt + from * FRAME, startsAt + (levelDb.length - FAR) * FRAME);
    }

    private static boolean isDead(float[] x, int from, int to) {
        int run = 0;
        for (int i = Math.max(0, from); i < Math.min(to, x.length); i++) {
            run = x[i] == 0 ? run + 1 : 0;
            if (run >= DEAD_SAMPLES) return true;
        }
        return false;
    }

    private double median(int from, int to) {
        double[] part = Arrays.copyOfRange(levelDb, Math.max(0, from), Math.min(levelDb.length, to));
        Arrays.sort(part);
        return part[part.length / 2];
    }

    /** How long the sweep's beginning was held back by something that then opened, s; 0 where it was not. */
    double mutedS() {
        int end = levelDb.length / 2;
        for (int i = 3; i < end; i++) {
            double before = Math.max(levelDb[i - 2], levelDb[i - 3]);
            double after = median(i + 1, i + FAR);
            boolean opens = levelDb[i] - before > JUMP_DB && after > noiseDb + OVER_NOISE_DB;
            if (!opens) continue;
            double loudest = Arrays.stream(levelDb, 0, i - 1).max().orElse(noiseDb);
            if (loudest < after - MUTED_DB) return i * FRAME_S;
        }
        return 0;
    }

    /** Moments in which this run is softer than another by more than runs differ, for 20 ms and more: frames from the sweep's begin. */
    boolean[] softerThan(SweepEnvelope other) {
        double[] apart = new double[levelDb.length];
        boolean[] counts = new boolean[levelDb.length];
        double[] kept = new double[levelDb.length];
        int n = 0;
        for (int i = 0; i < apart.length; i++) {
            apart[i] = other.levelDb[i] - levelDb[i];
            counts[i] = other.levelDb[i] > Math.max(noiseDb, other.noiseDb) + OVER_NOISE_DB;
            if (counts[i]) kept[n++] = apart[i];
        }
        double[] sorted = Arrays.copyOf(kept, n);
        Arrays.sort(sorted);
        double usual = n == 0 ? 0 : sorted[n / 2];
        boolean[] out = new boolean[apart.length];
        int begun = 0;
        for (int i = 0; i <= out.length; i++) {
            if (i < out.length && counts[i] && apart[i] - usual > APART_DB) continue;
            boolean moment = i - begun >= HOLE_FRAMES && i - begun <= LONGEST_HOLE_FRAMES;
            if (moment) Arrays.fill(out, begun, i, true);
            begun = i + 1;
        }
        return out;
    }
}
