package verisonus.core.evidence.replay;

import verisonus.core.sound.Stft;

/**
 * The spectrogram in which a recording and a replay are compared: {@value #FRAMES_A_SECOND} frames a second at {@value #RATE_HZ} Hz,
 * bins from 94 Hz to 6.2 kHz grouped into channels one bin or an eighteenth of an octave wide, whichever is wider.
 */
final class Channels {
    static final int RATE_HZ = 24000;
    static final int SIZE = 1024;
    static final int HOP = 240;
    static final int FRAMES_A_SECOND = RATE_HZ / HOP;
    /** Edges of the bands in which level and colour of effects are told, Hz. */
    static final double[] BAND_EDGES_HZ = {90, 250, 500, 1000, 2000, 3500, 6300};
    static final int BANDS = BAND_EDGES_HZ.length - 1;

    private static final double BIN_HZ = (double) RATE_HZ / SIZE;
    private static final double LOWEST_HZ = 94;
    private static final double HIGHEST_HZ = 6200;
    private static final int[] FIRST = firstBins();

    /** How many channels there are. */
    static final int COUNT = FIRST.length - 1;
    /** Middle of each channel, Hz. */
    static final double[] CENTRE_HZ = centres();
    /** Band of each channel. */
    static final int[] BAND = bands();

    private Channels() {}

    private static int[] firstBins() {
        int[] out = new int[SIZE];
        int n = 0;
        int bin = (int) Math.round(LOWEST_HZ / BIN_HZ);
        double edge = bin;
        while (bin * BIN_HZ < HIGHEST_HZ) {
            out[n++] = bin;
            edge = Math.max(edge + 1, edge * Math.pow(2, 1.0 / 18));
            bin = (int) Math.round(edge);
        }
        out[n++] = bin;
        return java.util.Arrays.copyOf(out, n);
    }

    private static double[] centres() {
        double[] out = new double[COUNT];
        for (int k = 0; k < COUNT; k++) out[k] = 0.5 * (FIRST[k] + FIRST[k + 1] - 1) * BIN_HZ;
        return out;
    }

    private static int[] bands() {
        int[] out = new int[COUNT];
        for (int k = 0; k < COUNT; k++) {
            int b = 0;
            while (b < BANDS - 1 && CENTRE_HZ[k] >= BAND_EDGES_HZ[b + 1]) b++;
            out[k] = b;
        }
        return out;
    }

    /** Mean power by channel and frame of a mono signal at {@value #RATE_HZ} Hz. */
    static float[][] powers(float[] x) {
        Stft stft = new Stft(SIZE, HOP);
        int frames = stft.frames(x.length);
        float[][] out = new float[COUNT][frames];
        float[] buffer = new float[SIZE];
        float[] power = new float[SIZE / 2 + 1];
        for (int t = 0; t < frames; t++) {
            stft.frame(x, t, buffer, power);
            for (int k = 0; k < COUNT; k++) {
                float sum = 0;
                for (int i = FIRST[k]; i < FIRST[k + 1]; i++) sum += power[i];
                out[k][t] = sum / (FIRST[k + 1] - FIRST[k]);
            }
        }
        return out;
    }

    /** Power added to everything, by channel: 42 dB under the loudest channel of its band, so that silence does not rule a fit. */
    static float[] floors(float[][] powers) {
        double[] loudest = new double[BANDS];
        for (int k = 0; k < COUNT; k++) {
            float[] sorted = powers[k].clone();
            java.util.Arrays.sort(sorted);
            if (sorted.length > 0)
                loudest[BAND[k]] = Math.max(loudest[BAND[k]], sorted[(int) (0.99 * (sorted.length - 1))]);
        }
        float[] out = new float[COUNT];
        for (int k = 0; k < COUNT; k++) out[k] = (float) (loudest[BAND[k]] * Math.pow(10, -4.2) + 1e-16);
        return out;
    }
}
