package verisonus.core.rig;

import verisonus.core.sound.Sound;

/**
 * A measured response of a loudspeaker.
 *
 * @param name of the file or the media it came from
 * @param sound the response at its own rate, from its first sample on; 8 to 192 kHz, finite, at most {@value #LOUDEST} at its peak
 */
public record Impulse(String name, Sound sound) {
    /** The longest that is kept; what comes later is the room's. */
    public static final double LONGEST_S = 2;

    /** Sampling rates that recordings have, Hz. */
    private static final int LOWEST_RATE_HZ = 8000;
    private static final int HIGHEST_RATE_HZ = 192_000;
    /** Peak of a response, as a factor: 60 dB over one that leaves the level as it is, more than any loudspeaker's. */
    private static final float LOUDEST = 1000;

    /** @throws IllegalArgumentException where no sound could be played through it; the message says why */
    public Impulse {
        if (sound.rateHz() < LOWEST_RATE_HZ || sound.rateHz() > HIGHEST_RATE_HZ)
            throw new IllegalArgumentException("its rate is " + sound.rateHz() + " Hz, not 8 to 192 kHz");
        if (sound.durationS() > LONGEST_S) sound = sound.slice(0, LONGEST_S);
        for (float[] channel : sound.channels()) for (float v : channel) {
            if (!Float.isFinite(v)) throw new IllegalArgumentException("it holds samples that are not numbers");
            if (Math.abs(v) > LOUDEST) throw new IllegalArgumentException("it is louder than any loudspeaker's");
        }
    }
}
