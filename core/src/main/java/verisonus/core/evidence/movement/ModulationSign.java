package verisonus.core.evidence.movement;

/** What {@link ModulationFeatures} read, in the order in which the weights were trained; logarithms are natural. */
public enum ModulationSign {
    /** How far the sway of the whole level stands out, logarithm. */
    LEVEL_STANDS_OUT,
    LEVEL_SHARE,
    LEVEL_SIZE,
    /** The same of the lows against the highs. */
    BALANCE_STANDS_OUT,
    BALANCE_SHARE,
    BALANCE_SIZE,
    PITCH_STANDS_OUT,
    PITCH_SHARE,
    /** Cents to either side, logarithm. */
    PITCH_SIZE,
    /** The same of the middle bands against the mean, slowly. */
    MIDDLE_STANDS_OUT,
    MIDDLE_SHARE,
    SIDES_STAND_OUT,
    SIDES_SHARE,
    BANDS_STAND_OUT,
    BANDS_SHARE,
    /** Logarithm of Hz. */
    BANDS_RATE,
    /** 1 where both sway at one rate, 0 where at two. */
    LEVEL_WITH_BALANCE,
    LEVEL_WITH_PITCH,
    BALANCE_WITH_PITCH,
    /** 1 where the level sways slower than 2.2 Hz. */
    LEVEL_IS_SLOW,
    /** Median size of what moves at all, logarithm. */
    PITCH_UNREST,
    LEVEL_UNREST,
    BALANCE_UNREST,
    /** How steep the pitch moves within a bin, logarithm. */
    BIN_SLOPE,
    /** Rise of the level that is passed a sixth of the time. */
    RISE,
    /** Mean correlation of bands 1, 2, 4 and 8 apart. */
    KINSHIP_NEXT,
    KINSHIP_2,
    KINSHIP_4,
    KINSHIP_8,
    /** Likeness to itself at lags of 0.4 to 1.5, 6 and 30 ms. */
    COMB_SHORT,
    COMB_MIDDLE,
    COMB_LONG,
    /** Share of the time that could be read. */
    READABLE,
    /** Whether the level falls for long and jumps back. */
    SKEW
}
