package verisonus.core.rig;

import verisonus.core.sound.Sound;

/**
 * A measured response of a loudspeaker.
 *
 * @param name of the file or the media it came from
 * @param sound the response at its own rate, from its first sample on
 */
public record Impulse(String name, Sound sound) {
    /** The longest that is kept; what comes later is the room's. */
    public static final double LONGEST_S = 2;

    public Impulse {
        if (sound.durationS() > LONGEST_S) sound = sound.slice(0, LONGEST_S);
    }
}
