package verisonus.core.evidence.echo;

/** What speaks for or against a copy at one lag, in the order in which the weights were trained. Heights are of the cepstrum. */
public enum EchoSign {
    HEIGHT,
    /** Over its surroundings, natural logarithm. */
    STANDS_OUT,
    /** At twice the lag. */
    SECOND,
    SECOND_TO_FIRST,
    /** At three times the lag, less what first and second let expect. */
    THIRD_OFF_EXPECTED,
    /** At half the lag. */
    HALF_LAG,
    /** Of the lows, middle and highs alone, against that of all. */
    LOW_TO_ALL,
    MIDDLE_TO_ALL,
    HIGH_TO_ALL,
    /** How alike what comes back is, and at what ratio, in the residual of linear prediction. */
    LIKENESS,
    LOW_RATIO,
    RATIO,
    RATIO_SPREAD,
    RATIO_OVER_HEIGHT,
    LOW_RATIO_TO_RATIO,
    /** Against the highest of all lags. */
    TO_HIGHEST,
    /** A little later, against its height. */
    SKIRT,
    /** How many lags stand out at all, of the most that are looked at. */
    CROWD,
    FEEDBACK,
    /** Seconds. */
    LAG
}
