package verisonus.demo;

import java.util.SplittableRandom;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;

/** A kick, a snare and a closed hat from falling tones and filtered noise, added into a track. */
record Drums(float[] track, long seed) {
    private static final double RATE = Sound.WORKING_RATE_HZ;

    /** A sine that falls from 120 to 48 Hz within a few hundredths of a second. */
    void kick(double atS, double gain) {
        double phase = 0;
        int from = (int) (atS * RATE);
        for (int i = 0; i < 0.35 * RATE && from + i < track.length; i++) {
            double t = i / RATE;
            phase += 2 * Math.PI * (48 + 72 * Math.exp(-t / 0.03)) / RATE;
            track[from + i] += (float) (gain * Math.sin(phase) * Math.exp(-t / 0.11));
        }
    }

    void snare(double atS, double gain) {
        burst(atS, gain, 0.11, Biquad.highPass(900, 0.7, RATE));
        int from = (int) (atS * RATE);
        for (int i = 0; i < 0.2 * RATE && from + i < track.length; i++) {
            double t = i / RATE;
            track[from + i] += (float) (0.5 * gain * Math.sin(2 * Math.PI * 186 * t) * Math.exp(-t / 0.06));
        }
    }

    void hat(double atS, double gain) {
        burst(atS, gain, 0.03, Biquad.highPass(7000, 0.9, RATE));
    }

    private void burst(double atS, double gain, double decayS, Biquad filter) {
        SplittableRandom random = new SplittableRandom(seed + (long) (atS * 1000));
        Biquad.Section section = new Biquad.Section(filter);
        int from = (int) (atS * RATE);
        for (int i = 0; i < 8 * decayS * RATE && from + i < track.length; i++) {
            double v = section.next(random.nextGaussian());
            track[from + i] += (float) (0.35 * gain * v * Math.exp(-i / RATE / decayS));
        }
    }
}
