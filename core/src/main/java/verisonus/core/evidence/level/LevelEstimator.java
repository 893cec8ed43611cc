package verisonus.core.evidence.level;

import verisonus.core.sound.Decibels;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;

/**
 * How loud is it, how peaky, and is it clipped? Loudness by {@link LoudnessMeter}. Input: any channels and rate, one
 * sample or more. Silence reads −200 dB and no loudness.
 *
 * <p>Integrated loudness and true peak by ITU-R BS.1770-5, loudness range by EBU Tech 3342. Units: LUFS, LU, dBTP, dBFS, dB. Known error:
 * true peak within 0.1 dB of a sine's; clipping is counted on the decoder's output before anything is cut.
 */
public final class LevelEstimator {
    private static final double NEAR_FULL_SCALE = 0.97;

    private LevelEstimator() {}

    public static LevelReading estimate(Sound sound) {
        double peak = Decibels.fromAmplitude(sound.peak());
        double rms = Decibels.fromAmplitude(sound.rms());
        LoudnessMeter.Loudness loudness = LoudnessMeter.loudness(sound);
        return new LevelReading(loudness.integratedLufs(), loudness.rangeLu(),
                LoudnessMeter.truePeakDbtp(sound), peak, Math.max(0, peak - rms), clippedSamples(sound));
    }

    private static int clippedSamples(Sound sound) {
        float top = (float) sound.peak();
        if (top < NEAR_FULL_SCALE) return 0;
        int clipped = 0;
        for (float[] c : sound.channels()) {
            int run = 0;
            for (int i = 0; i <= c.length; i++) {
                boolean at = i < c.length && Math.abs(c[i]) >= top * 0.9999f;
                if (at) {
                    run++;
                } else {
                    if (run >= 3) clipped += run;
                    run = 0;
                }
            }
        }
        return clipped;
    }
}
