package verisonus.core.capture.passes;

import java.util.Arrays;
import verisonus.core.sound.RealFft;

/**
 * Where a known burst stands in what was recorded.
 *
 * @param at sample at which it begins
 * @param beyond by how much the true place lies behind it, −0.5 to 0.5
 * @param correlation with what is there, −1 to 1, whatever the level
 */
record BurstPlace(int at, double beyond, double correlation) {
    /** An earlier place is one at this share of the clearest. */
    private static final double NEARLY = 0.8;

    double likeness() {
        return Math.abs(correlation);
    }

    double exactly() {
        return at + beyond;
    }

    /** The earliest place that is nearly as clear as the clearest, for a later one may be as clear. */
    static BurstPlace earliest(float[] x, float[] burst, int from, int to) {
        BurstPlace best = nearest(x, burst, from, to);
        while (best.at - from > burst.length) {
            BurstPlace earlier = nearest(x, burst, from, best.at);
            if (earlier.likeness() < NEARLY * best.likeness()) return best;
            best = earlier;
        }
        return best;
    }

    /** The place within a stretch at which it is most like what was recorded. */
    static BurstPlace nearest(float[] x, float[] burst, int from, int to) {
        int begin = Math.max(0, from);
        int end = Math.min(x.length, Math.max(to, begin));
        int n = end - begin;
        if (n < burst.length) return new BurstPlace(begin, 0, 0);
        RealFft fft = new RealFft(RealFft.sizeFor(n + burst.length));
        float[] a = Arrays.copyOf(Arrays.copyOfRange(x, begin, end), fft.size());
        float[] b = new float[fft.size()];
        // Turned round, so that convolving correlates.
        for (int i = 0; i < burst.length; i++) b[(fft.size() - i) % fft.size()] = burst[i];
        fft.forward(a);
        fft.forward(b);
        RealFft.multiply(a, b);
        fft.inverse(a);
        double own = energy(burst, 0, burst.length);
        double there = energy(x, begin, burst.length);
        BurstPlace best = new BurstPlace(begin, 0, 0);
        double scale = scale(fft);
        for (int i = 0; i + burst.length <= n; i++) {
            double r = a[i] * scale / Math.sqrt(own * Math.max(there, 1e-9));
            if (Math.abs(r) > best.likeness()) best = new BurstPlace(begin + i, peak(a, i), r);
            if (i + burst.length < n) {
                float in = x[begin + i + burst.length];
                float out = x[begin + i];
                there += (double) in * in - (double) out * out;
            }
        }
        return best;
    }

    /** Where a parabola through a value and its neighbours has its top, −0.5 to 0.5. */
    private static double peak(float[] a, int i) {
        if (i == 0 || i + 1 >= a.length) return 0;
        double bend = a[i - 1] - 2.0 * a[i] + a[i + 1];
        return Math.abs(bend) < 1e-12 ? 0 : Math.clamp(0.5 * (a[i - 1] - a[i + 1]) / bend, -0.5, 0.5);
    }

    /** What a product of two transforms must be multiplied by to be a convolution. */
    private static double scale(RealFft fft) {
        float[] a = new float[fft.size()];
        a[0] = 1;
        float[] b = a.clone();
        fft.forward(a);
        fft.forward(b);
        RealFft.multiply(a, b);
        fft.inverse(a);
        return 1 / a[0];
    }

    private static double energy(float[] x, int from, int n) {
        double sum = 0;
        for (int i = from; i < from + n; i++) sum += (double) x[i] * x[i];
        return sum;
    }
}
