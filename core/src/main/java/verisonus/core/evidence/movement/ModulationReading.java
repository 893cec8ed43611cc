package verisonus.core.evidence.movement;

import java.util.OptionalDouble;

/**
 * Something that moves the sound to and fro.
 *
 * @param kind what kind of movement
 * @param rateHz to and fro a second; absent where only the movement is certain
 * @param depthPercent for tremolo the gain swing (100: down to silence); absent where it cannot be read
 */
public record ModulationReading(Kind kind, OptionalDouble rateHz, OptionalDouble depthPercent) {
    /** Kinds of movement. */
    public enum Kind {
        TREMOLO("tremolo"),
        HARMONIC_TREMOLO("harmonic tremolo"),
        VIBRATO("vibrato"),
        CHORUS("chorus"),
        FLANGER(
                "flanger"),
        PHASER("phaser"),
        ROTARY("rotary");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** Whether a comb or notches move through the sound, so that the kind is a guess within a family. */
        public boolean isMovingComb() {
            return this == CHORUS || this == FLANGER || this == PHASER;
        }
    }
}
