package verisonus.core.evidence.study;

import java.util.EnumSet;
import java.util.Set;

/**
 * What one quarter second says of a guitar that plays alone, in the order in which the weights were trained: dB unless said. Levels of
 * bands are against the guitar's middle at the same time.
 */
public enum AloneSign {
    SUB_NOW,
    KICK_NOW,
    LOW_MIDS_NOW,
    HIGH_MIDS_NOW,
    HIGHS_NOW,
    AIR_NOW,
    TOP_NOW,
    /** The same over three quarters of a second to either side. */
    SUB_ABOUT,
    KICK_ABOUT,
    LOW_MIDS_ABOUT,
    HIGH_MIDS_ABOUT,
    HIGHS_ABOUT,
    AIR_ABOUT,
    TOP_ABOUT,
    /** Against the middle of the whole recording; the strike is the strongest moment of the highs. */
    SUB_IN_FILE,
    KICK_IN_FILE,
    STRIKE_IN_FILE,
    /** The strongest line under the lowest string, in half a second and in two. */
    LINE_NOW,
    LINE_ABOUT,
    LINE_STANDS_OUT,
    /** Octaves over 30 Hz. */
    LOWEST_PARTIAL,
    /** Rises in which the middle has no part: the most now, the mean about now. */
    LONE_HIGHS_NOW,
    LONE_HIGHS_ABOUT,
    LONE_KICK_NOW,
    LONE_KICK_ABOUT,
    /** Correlation of two bands' levels. */
    MIDDLE_WITH_HIGHS,
    KICK_WITH_MIDDLE,
    MIDDLE_WITH_HIGH_MIDS,
    LOW_MIDS_WITH_MIDDLE,
    /** How far a band swings against the middle. */
    HIGHS_SWING,
    KICK_SWING,
    /** What a band falls under a tenth of the time, against its loudest moment about now. */
    KICK_FLOOR,
    MIDDLE_FLOOR,
    HIGHS_FLOOR,
    MIDDLE_UNREST,
    /** Side against middle channel; not a number where there is one channel. */
    KICK_WIDTH,
    MIDDLE_WIDTH,
    HIGHS_WIDTH,
    HIGH_MIDS_WIDTH;

    /** Those of which it matters what is usual in the recording: levels about now, lines, lone rises, width. */
    static final Set<AloneSign> AGAINST_USUAL = EnumSet.of(SUB_ABOUT, KICK_ABOUT, LOW_MIDS_ABOUT, HIGH_MIDS_ABOUT,
            HIGHS_ABOUT, AIR_ABOUT, STRIKE_IN_FILE, LINE_ABOUT, LONE_HIGHS_NOW, LONE_KICK_NOW, KICK_WIDTH,
            MIDDLE_WIDTH);
}
