package verisonus.core.travel;

import java.util.Arrays;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Sound;

/**
 * Why do two channels not add? The normalised cross-correlation of short stretches tells: strong and negative at once is a
 * turned phase; strong at a delay is one take beside a copy of itself; weak at every delay up to 35 ms is two takes. A side that hardly
 * plays has nothing to add.
 */
final class SideBySide {
    private static final double STRETCH_S = 0.35;
    private static final double FURTHEST_S = 0.035;
    /** Two takes of one phrase reach 0.3 to 0.45 at some delay by chance; a swaying copy stays above 0.6. */
    private static final double SAME_TAKE = 0.55;
    private static final int MOST_STRETCHES = 60;
    /** Share of the louder side's energy under which the other does not count: 26 dB under it. */
    private static final double ONE_SIDE = 0.0025;

    private SideBySide() {}

    static MonoLoss.Cause causeOf(Sound sound) {
        int n = (int) (STRETCH_S * sound.rateHz());
        int lag = (int) (FURTHEST_S * sound.rateHz());
        int size = RealFft.sizeFor(n + 2 * lag);
        RealFft fft = new RealFft(size);
        int stretches = Math.max(1, Math.min(MOST_STRETCHES, sound.frames() / n));
        double[] best = new double[stretches];
        double[] atOnce = new double[stretches];
        int kept = 0;
        double left = energy(sound.channel(0));
        double right = energy(sound.channel(1));
        if (Math.min(left, right) < ONE_SIDE * Math.max(left, right)) return MonoLoss.Cause.ONE_SIDE;
        for (int s = 0; s < stretches; s++) {
            int from = (int) ((long) s * Math.max(0, sound.frames() - n) / Math.max(1, stretches - 1));
            float[] l = Arrays.copyOf(Arrays.copyOfRange(sound.channel(0), from, from + n), size);
            float[] r = Arrays.copyOf(Arrays.copyOfRange(sound.channel(1), from, from + n), size);
            double norm = Math.sqrt(energy(l) * energy(r));
            if (norm < 1e-7 * n) continue;
            fft.forward(l);
            fft.forward(r);
            float[] c = product(l, r);
            fft.inverse(c);
            double top = 0;
            for (int k = -lag; k <= lag; k++) top = Math.max(top, Math.abs(c[Math.floorMod(k, size)]) / norm);
            best[kept] = top;
            atOnce[kept++] = c[0] / norm;
        }
        if (kept == 0 || median(best, kept) < SAME_TAKE) return MonoLoss.Cause.DOUBLED_TAKES;
        return median(atOnce, kept) < -SAME_TAKE ? MonoLoss.Cause.TURNED_PHASE : MonoLoss.Cause.MOVED_COPY;
    }

    private static float[] product(float[] a, float[] b) {
        float[] out = new float[a.length];
        out[0] = a[0] * b[0];
        out[1] = a[1] * b[1];
        for (int k = 2; k < a.length; k += 2) {
            out[k] = a[k] * b[k] + a[k + 1] * b[k + 1];
            out[k + 1] = a[k + 1] * b[k] - a[k] * b[k + 1];
        }
        return out;
    }

    private static double energy(float[] x) {
        double sum = 0;
        for (float v : x) sum += (double) v * v;
        return sum;
    }

    private static double median(double[] values, int count) {
        double[] sorted = Arrays.copyOf(values, count);
        Arrays.sort(sorted);
        return sorted[count / 2];
    }
}
