package verisonus.core.travel;

import java.util.Arrays;

/**
 * How strong must a tone be to sound as loud as one of 1 kHz? Contours of ISO 226:
 * Lp = (10/α)·lg A − L_U + 94, A = 4.47·10⁻³·(10^(0.025·L_N) − 1.15) + (0.4·10^((T_f + L_U)/10 − 9))^α, for loudness
 * levels L_N of 20 to 90 phon and 20 Hz to 12.5 kHz; between the standard's frequencies straight on a logarithmic axis.
 */
public final class EqualLoudness {
    private static final double[] HZ = {20, 25, 31.5, 40, 50, 63, 80, 100, 125, 160, 200, 250, 315, 400, 500, 630, 800,
            1000, 1250, 1600, 2000, 2500, 3150, 4000, 5000, 6300, 8000, 10000, 12500};
    private static final double[] ALPHA = {.532, .506, .480, .455, .432, .409, .387, .367, .349, .330, .315, .301, .288,
            .276, .267, .259, .253, .250, .246, .244, .243, .243, .243, .242, .242, .245, .254, .271, .301};
    private static final double[] L_U = {-31.6, -27.2, -23.0, -19.1, -15.9, -13.0, -10.3, -8.1, -6.2, -4.5, -3.1, -2.0,
            -1.1, -0.4, 0.0, 0.3, 0.5, 0.0, -2.7, -4.1, -1.0, 1.7, 2.5, 1.2, -2.1, -7.1, -11.2, -10.7, -3.1};
    private static final double[] T_F = {78.5, 68.7, 59.5, 51.1, 44.0, 37.5, 31.5, 26.5, 22.1, 17.9, 14.4, 11.4, 8.6,
            6.2, 4.4, 3.0, 2.2, 2.4, 3.5, 1.7, -1.3, -4.2, -6.0, -5.4, -1.5, 6.0, 12.6, 13.9, 12.3};

    /** Loudness levels that the standard covers, phon. */
    private static final double SOFTEST_PHON = 20;
    private static final double LOUDEST_PHON = 90;

    private EqualLoudness() {}

    /** Whether the standard says anything of this level; beyond, its last contour is taken. */
    public static boolean knows(double dbSpl) {
        return dbSpl >= SOFTEST_PHON && dbSpl <= LOUDEST_PHON;
    }

    /** Sound pressure level, dB, at which a tone of this frequency has this loudness level. */
    public static double levelDbSpl(double hz, double phon) {
        double f = Math.clamp(hz, HZ[0], HZ[HZ.length - 1]);
        int i = Arrays.binarySearch(HZ, f);
        if (i >= 0) return atStandard(i, phon);
        int right = -i - 1;
        double share = Math.log(f / HZ[right - 1]) / Math.log(HZ[right] / HZ[right - 1]);
        return (1 - share) * atStandard(right - 1, phon) + share * atStandard(right, phon);
    }

    /** Level under which a tone of this frequency is not heard at all, dB SPL. */
    public static double thresholdDbSpl(double hz) {
        double f = Math.clamp(hz, HZ[0], HZ[HZ.length - 1]);
        int i = Arrays.binarySearch(HZ, f);
        if (i >= 0) return T_F[i];
        int right = -i - 1;
        double share = Math.log(f / HZ[right - 1]) / Math.log(HZ[right] / HZ[right - 1]);
        return (1 - share) * T_F[right - 1] + share * T_F[right];
    }

    private static double atStandard(int i, double phon) {
        double n = Math.clamp(phon, SOFTEST_PHON, LOUDEST_PHON);
        double a = 4.47e-3 * (Math.pow(10, 0.025 * n) - 1.15)
                + Math.pow(0.4 * Math.pow(10, (T_F[i] + L_U[i]) / 10 - 9), ALPHA[i]);
        return 10 / ALPHA[i] * Math.log10(a) - L_U[i] + 94;
    }

    /**
     * How a frequency seems to change against 1 kHz, dB, when everything is turned from one level to another: below 0
     * where turning down takes more from it than from 1 kHz.
     */
    public static double changeDb(double hz, double fromDbSpl, double toDbSpl) {
        double before = levelDbSpl(hz, fromDbSpl) - Math.clamp(fromDbSpl, SOFTEST_PHON, LOUDEST_PHON);
        double after = levelDbSpl(hz, toDbSpl) - Math.clamp(toDbSpl, SOFTEST_PHON, LOUDEST_PHON);
        return before - after;
    }

}
