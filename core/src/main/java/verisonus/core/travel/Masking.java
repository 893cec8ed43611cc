package verisonus.core.travel;

/**
 * What one sound hides of another: each band's excitation spreads to its neighbours on the Bark axis, 27 dB a Bark downwards
 * and upwards by 24 + 230/f − 0.2·L dB a Bark, flatter the louder it is (E. Terhardt, "Calculating virtual pitch", 1979). A
 * band of music counts as covered where it lies more than {@value #OFFSET_DB} dB under what has spread there.
 */
public final class Masking {
    static final double OFFSET_DB = 6;
    private static final double DOWN_DB_PER_BARK = 27;

    private Masking() {}

    /** Frequency on the Bark axis (E. Zwicker, E. Terhardt 1980). */
    static double bark(double hz) {
        return 13 * Math.atan(0.00076 * hz) + 3.5 * Math.atan(Math.pow(hz / 7500, 2));
    }

    /**
     * Threshold by band, dB SPL.
     *
     * @param hz centres
     * @param maskerDbSpl level of the masker in each
     * @param withOwn whether a masker covers its own band too, as another instrument does, or only its neighbours
     */
    public static double[] thresholdDbSpl(double[] hz, double[] maskerDbSpl, boolean withOwn) {
        double[] out = new double[hz.length];
        for (int b = 0; b < hz.length; b++) {
            double power = 0;
            for (int m = 0; m < hz.length; m++) {
                if (m == b && !withOwn) continue;
                double apart = bark(hz[b]) - bark(hz[m]);
                double slope = apart < 0
                        ? DOWN_DB_PER_BARK
                        : Math.max(4, 24 + 230 / hz[m] - 0.2 * maskerDbSpl[m]);
                power += Math.pow(10, (maskerDbSpl[m] - Math.abs(apart) * slope) / 10);
            }
            double quiet = EqualLoudness.thresholdDbSpl(hz[b]);
            out[b] = Math.max(quiet, 10 * Math.log10(power + 1e-30) - OFFSET_DB);
        }
        return out;
    }
}
