package verisonus.core.sound;

/** Power gain of the K weighting (ITU-R BS.1770) at a frequency, as the standard's 48 kHz filters have it. */
public final class LoudnessWeighting {
    private static final double RATE_HZ = 48000;
    private static final Biquad SHELF = LoudnessMeter.headShelf(RATE_HZ);
    private static final Biquad LOW_CUT = LoudnessMeter.lowCut(RATE_HZ);

    private LoudnessWeighting() {}

    /** |H|² at a frequency below 24 kHz. */
    public static double powerAt(double hz) {
        return SHELF.powerAt(hz, RATE_HZ) * LOW_CUT.powerAt(hz, RATE_HZ);
    }
}
