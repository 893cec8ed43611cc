package verisonus.core.evidence.dirt;

/** What a clipper leaves in a sound, in the order in which the weights were trained: dB unless said. */
public enum SaturationSign {
    /** Peak against mean power, of the whole. */
    CREST,
    /** Of frames of 46 ms: their median, and what four of five exceed. */
    FRAME_CREST,
    FRAME_CREST_LOW,
    /** Fourth moment of the frames, of frames under 1 kHz, and third moment without its sign: medians, no unit. */
    KURTOSIS,
    LOW_KURTOSIS,
    SKEW,
    /** From a higher to a lower quantile of the level every 10 ms. */
    LEVEL_99_TO_80,
    LEVEL_98_TO_60,
    LEVEL_99_TO_50,
    LEVEL_90_TO_30,
    /** How far the quiet bins stand under the strong ones. */
    FLOOR,
    /** Fourth moment of the whole, no unit. */
    WHOLE_KURTOSIS,
    /** How far a note's beginning stands over what follows. */
    OVERSHOOT,
    /** Fall within 50 ms where the level falls. */
    FALL
}
