package verisonus.core.evidence.guided;

/** Third octaves by bin, exact base-ten centres from {@value #LOWEST_HZ} Hz; what lies under the first belongs to it. */
final class ThirdBands {
    static final int COUNT = 24;
    static final double LOWEST_HZ = 50.119;
    private final int[] band;

    /** @param bins of one frame, 0 Hz to half the rate */
    ThirdBands(int bins) {
        band = new int[bins];
        for (int k = 1; k < bins; k++) {
            double hz = (double) k * LaidSpectra.RATE_HZ / (2.0 * (bins - 1));
            band[k] = (int) Math.clamp(Math.round(10 * Math.log10(hz / LOWEST_HZ)), 0, COUNT - 1);
        }
    }

    int of(int bin) {
        return band[bin];
    }

    static double centreHz(int band) {
        return LOWEST_HZ * Math.pow(10, band / 10.0);
    }

    /** Where a band begins and the one before it ends. */
    static double lowHz(int band) {
        return centreHz(band) * Math.pow(10, -0.05);
    }

    /** Sums of the bins by band. */
    double[] sums(double[] x) {
        double[] out = new double[COUNT];
        for (int k = 1; k < x.length; k++) out[band[k]] += x[k];
        return out;
    }

    /** Frames × bands of frames × bins, each cell weighted. */
    float[][] sums(float[][] x, float[][] weight) {
        float[][] out = new float[x.length][COUNT];
        for (int t = 0; t < x.length; t++)
            for (int k = 1; k < x[t].length; k++) out[t][band[k]] += x[t][k] * weight[t][k];
        return out;
    }

    float[][] sums(float[][] x) {
        float[][] out = new float[x.length][COUNT];
        for (int t = 0; t < x.length; t++) for (int k = 1; k < x[t].length; k++) out[t][band[k]] += x[t][k];
        return out;
    }
}
