package verisonus.core.compare;

/**
 * Just-noticeable differences, for ranking: band level 1 dB (2 dB below 100 Hz and above 8 kHz), loudness 0.5 LU,
 * echo time 4 % or 5 ms, pitch 5 cents, crest factor 1.5 dB, saturation index 0.06, correlation 0.08.
 */
public final class JndScale {
    public static final double CREST_DB = 1.5;
    /** From here down a band is faint, against the mean of 80 Hz to 8 kHz. */
    private static final double FAINT_DB = -20;
    public static final double SPREAD_DB = 1.5;
    public static final double SATURATION_INDEX = 0.06;
    /** How much wider it is between two guitars and hands: of 132 replays of the report one chain reads further apart on seven. */
    public static final double SATURATION_AGAIN = 3;
    public static final double PITCH_CENTS = 5;
    public static final double CORRELATION = 0.08;
    public static final double ECHO_LEVEL_DB = 1;
    public static final double FEEDBACK_POINTS = 8;
    /** One decibel is heard (clarity, ISO 3382-1); the reading itself is off by about two. */
    public static final double SPACE_LEVEL_DB = 2;
    public static final double DEPTH_POINTS = 10;

    /** Of the gap before a space answers. */
    public static final double PRE_DELAY_MS = 10;

    private JndScale() {}

    public static double bandDb(double lowHz, double highHz) {
        double centre = Math.sqrt(lowHz * highHz);
        return centre < 100 || centre > 8000 ? 2 : 1;
    }

    /** How much less exactly a band is heard that lies far under the rest of the sound: twice as little at −40 dB. */
    static double faintness(double levelDb) {
        return 1 + Math.max(0, FAINT_DB - levelDb) / 20;
    }

    public static double echoTimeMs(double ms) {
        return Math.max(5, 0.04 * ms);
    }

    /** A twentieth is heard (ISO 3382-1), but a decay is read to about a seventh: what is smaller is no finding. */
    public static double decayS(double seconds) {
        return 0.15 * seconds;
    }

    /** One decibel of the wet sound, and half a point more where there is next to none. */
    public static double mixPoints(double percent) {
        return 0.12 * percent + 0.5;
    }

    public static double movementHz(double hz) {
        return 0.08 * hz;
    }

    /** A change of attack is heard from about a third of its length. */
    public static double attackMs(double ms) {
        return Math.max(4, 0.35 * ms);
    }
}
