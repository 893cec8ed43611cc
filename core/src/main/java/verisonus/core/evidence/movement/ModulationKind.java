package verisonus.core.evidence.movement;

/** Kinds of movement. */
public enum ModulationKind {
    TREMOLO("tremolo"),
    HARMONIC_TREMOLO("harmonic tremolo"),
    VIBRATO("vibrato"),
    CHORUS("chorus"),
    FLANGER(
            "flanger"),
    PHASER("phaser"),
    ROTARY("rotary");

    private final String words;

    ModulationKind(String words) {
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
