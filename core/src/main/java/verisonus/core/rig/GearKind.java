package verisonus.core.rig;

import java.util.Locale;

/** What a block is, in the order in which a plain chain holds them. */
public enum GearKind {
    INPUT,
    GUITAR,
    GATE,
    COMPRESSOR,
    FILTER,
    DRIVE,
    AMP,
    CABINET,
    MICROPHONE,
    EQUALIZER,
    MODULATION,
    ECHO,
    REVERB,
    LOOPER,
    UTILITY;

    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }
}
