package verisonus.core.evidence.guided;

import java.util.Arrays;

/**
 * Where between the sides the guitar stands: the angle of the sides' amplitudes where the take is loud, against all else (pan by the
 * ratio of the sides in each bin, after A. Jourjine, S. Rickard, O. Yilmaz, ICASSP 2000). It is believed off the middle only where the
 * recording itself is full at that angle too.
 *
 * @param angle 0 left, π/4 middle, π/2 right
 */
record GuitarPlace(double angle) {
    private static final int BINS = 31;
    private static final double STRONGEST = 0.15;
    private static final double LESS = 0.7;
    private static final double ASIDE = 0.12;
    private static final double WIDTH = 0.14;
    private static final double LOW_HZ = 300;
    private static final double HIGH_HZ = 4000;
    /** Of the fullest angle's power, where the guitar is said to stand. */
    private static final double FULL = 0.2;
    static final GuitarPlace MIDDLE = new GuitarPlace(Math.PI / 4);

    static GuitarPlace find(float[][] left, float[][] right, float[][] take) {
        double limit = strongest(take);
        double[] with = new double[BINS];
        double[] without = new double[BINS];
        for (int t = 0; t < left.length; t++) {
            for (int k = bin(LOW_HZ, take[0].length); k < bin(HIGH_HZ, take[0].length); k++) {
                int i = Math.clamp((int) (angle(left[t][k], right[t][k]) / (Math.PI / 2) * BINS), 0, BINS - 1);
                (take[t][k] >= limit ? with : without)[i] += left[t][k] + right[t][k];
            }
        }
        double[] all = new double[BINS];
        double[] told = new double[BINS];
        for (int i = 0; i < BINS; i++) {
            all[i] = with[i] + without[i];
            told[i] = with[i] / (sum(with) + 1e-20) - LESS * without[i] / (sum(without) + 1e-20);
        }
        int top = peak(smooth(told));
        double[] full = smooth(all);
        boolean isFull = full[top] >= FULL * full[peak(full)] && isPeak(full, top);
        GuitarPlace found = new GuitarPlace((top + 0.5) / BINS * Math.PI / 2);
        return found.isAside() && isFull ? found : MIDDLE;
    }

    boolean isAside() { return Math.abs(angle - Math.PI / 4) > ASIDE; }

    /** One at the guitar's angle, less beside it; one everywhere for a guitar in the middle. */
    float[][] nearness(float[][] left, float[][] right) {
        float[][] out = new float[left.length][left[0].length];
        for (int t = 0; t < out.length; t++) {
            if (!isAside()) {
                Arrays.fill(out[t], 1);
                continue;
            }
            for (int k = 0; k < out[t].length; k++) {
                double off = (angle(left[t][k], right[t][k]) - angle) / WIDTH;
                out[t][k] = (float) Math.exp(-0.5 * off * off);
            }
        }
        return out;
    }

    private static double angle(float left, float right) {
        return Math.atan2(Math.sqrt(right), Math.sqrt(left));
    }

    private static double strongest(float[][] take) {
        int from = bin(LOW_HZ, take[0].length);
        int to = bin(HIGH_HZ, take[0].length);
        float[] all = new float[take.length * (to - from)];
        for (int t = 0; t < take.length; t++) System.arraycopy(take[t], from, all, t * (to - from), to - from);
        Arrays.sort(all);
        return all[(int) ((1 - STRONGEST) * (all.length - 1))];
    }

    private static int bin(double hz, int bins) {
        return (int) Math.round(hz * 2 * (bins - 1) / LaidSpectra.RATE_HZ);
    }

    private static double[] smooth(double[] x) {
        double[] out = new double[x.length];
        for (int i = 0; i < x.length; i++)
            out[i] = (x[Math.max(0, i - 1)] + x[i] + x[Math.min(x.length - 1, i + 1)]) / 3;
        return out;
    }

    private static int peak(double[] x) {
        int best = 0;
        for (int i = 1; i < x.length; i++) if (x[i] > x[best]) best = i;
        return best;
    }

    /** Whether it is the fullest of its neighbours within one. */
    private static boolean isPeak(double[] x, int at) {
        for (int i = Math.max(0, at - 2); i <= Math.min(x.length - 1, at + 2); i++) {
            if (x[i] > 1.3 * x[at]) return false;
        }
        return true;
    }

    private static double sum(double[] x) {
        double s = 0;
        for (double v : x) s += v;
        return s;
    }
}
