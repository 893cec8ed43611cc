package verisonus.core.evidence.signs;

import verisonus.core.sound.Stft;

/** Energy of the octaves around 283, 566, 1131 and 2263 Hz every 10 ms. */
public final class OctaveEnergies {
    public static final int RATE_HZ = 16000;
    public static final int HOP = 160;
    public static final double[] CENTRES_HZ = {283, 566, 1131, 2263};
    private static final int SIZE = 512;

    private OctaveEnergies() {}

    /** @param x mono at {@value #RATE_HZ} Hz; shape octaves × hops */
    public static double[][] of(float[] x) {
        Stft stft = new Stft(SIZE, HOP);
        int n = stft.frames(x.length);
        double[][] out = new double[CENTRES_HZ.length][n];
        float[] buffer = new float[SIZE];
        float[] power = new float[SIZE / 2 + 1];
        double width = (double) RATE_HZ / SIZE;
        for (int t = 0; t < n; t++) {
            stft.frame(x, t, buffer, power);
            for (int b = 0; b < CENTRES_HZ.length; b++) {
                int from = (int) Math.round(CENTRES_HZ[b] / Math.sqrt(2) / width);
                int to = (int) Math.round(CENTRES_HZ[b] * Math.sqrt(2) / width);
                for (int k = from; k < to; k++) out[b][t] += power[k];
            }
        }
        return out;
    }
}
