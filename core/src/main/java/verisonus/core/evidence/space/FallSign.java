package verisonus.core.evidence.space;

/** What the fastest falls of one octave show, in the order in which the weights were trained: dB unless said. */
public enum FallSign {
    /** Falls within 50 to 800 ms of which one in fifty is faster. */
    FAST_50_MS,
    FAST_100_MS,
    FAST_200_MS,
    FAST_400_MS,
    FAST_800_MS,
    /** The same where one in eight is faster. */
    USUAL_50_MS,
    USUAL_100_MS,
    USUAL_200_MS,
    USUAL_400_MS,
    USUAL_800_MS,
    /** Natural logarithm of the seconds in which a line through the tail falls by 60 dB; 2 where there is no line. */
    TAIL_DECAY,
    TAIL_START,
    /** Usual less fast at 200 ms. */
    SPREAD
}
