package verisonus.core.evidence.guided;

import verisonus.core.evidence.signs.HarmonicPart;
import verisonus.core.sound.Biquad;

/** A dry take as what a recording of it may look like: clean, through two clippers, and with two tails; each of mean power one. */
final class TakeGuides {
    /** Clean and clipped: the guides without tails come first. */
    static final int DIRECT = 3;
    private static final double[] CLIPPED_DB = {12, 30};
    private static final double[] TAILS_S = {0.25, 1};
    private static final int TAIL_LATE = 2;
    private static final double LOW_CUT_HZ = 100;

    private TakeGuides() {}

    /** Guides × frames × bins. Input at {@link LaidSpectra#RATE_HZ}. */
    static float[][][] of(HarmonicPart part, float[] take) {
        float[][][] out = new float[DIRECT + TAILS_S.length][][];
        out[0] = widened(part.powers(take));
        double peak = 1e-9;
        for (float x : take) peak = Math.max(peak, Math.abs(x));
        for (int i = 0; i < CLIPPED_DB.length; i++) {
            float[] x = take.clone();
            new Biquad.Section(Biquad.highPass(LOW_CUT_HZ, 0.7071, LaidSpectra.RATE_HZ)).process(x, 0, x.length);
            double gain = Math.pow(10, CLIPPED_DB[i] / 20) / peak;
            for (int n = 0; n < x.length; n++) x[n] = (float) Math.tanh(gain * x[n]);
            out[1 + i] = widened(part.powers(x));
        }
        for (int i = 0; i < DIRECT; i++) normalise(out[i]);
        for (int i = 0; i < TAILS_S.length; i++) {
            out[DIRECT + i] = tail(out, TAILS_S[i], part.hop());
            normalise(out[DIRECT + i]);
        }
        return out;
    }

    /** The largest of a frame and two bins to either side: another hand is a little early, another guitar a little sharp. */
    private static float[][] widened(float[][] p) {
        float[][] across = new float[p.length][p[0].length];
        for (int t = 0; t < p.length; t++) {
            for (int k = 0; k < p[t].length; k++) {
                float most = 0;
                for (int j = Math.max(0, k - 2); j <= Math.min(p[t].length - 1, k + 2); j++)
                    most = Math.max(most, p[t][j]);
                across[t][k] = most;
            }
        }
        float[][] out = new float[p.length][p[0].length];
        for (int t = 0; t < p.length; t++)
            for (int s = Math.max(0, t - 1); s <= Math.min(p.length - 1, t + 1); s++)
                for (int k = 0; k < out[t].length; k++) out[t][k] = Math.max(out[t][k], across[s][k]);
        return out;
    }

    private static float[][] tail(float[][][] of, double decayS, int hop) {
        double keep = Math.pow(10, -6.0 * hop / LaidSpectra.RATE_HZ / decayS);
        float[][] out = new float[of[0].length][of[0][0].length];
        for (int k = 0; k < out[0].length; k++) {
            double e = 0;
            for (int t = 0; t < out.length; t++) {
                double in = 0;
                if (t >= TAIL_LATE) for (int i = 0; i < DIRECT; i++) in += of[i][t - TAIL_LATE][k];
                e = keep * e + in;
                out[t][k] = (float) e;
            }
        }
        return out;
    }

    private static void normalise(float[][] p) {
        double mean = 1e-20;
        for (float[] row : p) for (float x : row) mean += x / ((double) p.length * row.length);
        for (float[] row : p) for (int k = 0; k < row.length; k++) row[k] = (float) (row[k] / mean);
    }
}
