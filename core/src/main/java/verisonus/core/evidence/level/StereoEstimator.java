package verisonus.core.evidence.level;

import java.util.Arrays;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Sound;

/**
 * How do left and right differ? Correlation at no delay, side against mid, and the offset of the largest
 * cross-correlation within 40 ms. Input: any; mono reads 1, −90 dB, 0 ms.
 *
 * <p>The delay as in C. Knapp and G. Carter, "The generalized correlation method for estimation of time delay", IEEE Transactions on
 * Acoustics, Speech, and Signal Processing 24, 1976, without weighting. Known error: of a delay one sample; two takes, which share no
 * delay, read as a small correlation at whichever is largest.
 */
public final class StereoEstimator {
    private static final double MONO_DB = -90;

    private StereoEstimator() {}

    public static StereoReading estimate(Sound sound) {
        if (!sound.isStereo()) return new StereoReading(1, MONO_DB, 0);
        float[] l = sound.channel(0);
        float[] r = sound.channel(1);
        double ll = 0;
        double rr = 0;
        double lr = 0;
        for (int i = 0; i < l.length; i++) {
            ll += (double) l[i] * l[i];
            rr += (double) r[i] * r[i];
            lr += (double) l[i] * r[i];
        }
        double correlation = ll > 0 && rr > 0 ? Math.clamp(lr / Math.sqrt(ll * rr), -1, 1) : 0;
        double mid = (ll + rr + 2 * lr) / 4;
        double side = (ll + rr - 2 * lr) / 4;
        double ratio = side <= 0 ? MONO_DB : Math.max(MONO_DB, Decibels.fromPower(side) - Decibels.fromPower(mid));
        return new StereoReading(correlation, ratio, offsetMs(l, r, sound.rateHz()));
    }

    private static double offsetMs(float[] l, float[] r, int rateHz) {
        int n = Math.min(l.length, 20 * rateHz);
        int size = RealFft.sizeFor(n + rateHz / 10);
        RealFft fft = new RealFft(size);
        float[] a = Arrays.copyOf(Arrays.copyOf(l, n), size);
        float[] b = Arrays.copyOf(Arrays.copyOf(r, n), size);
        fft.forward(a);
        fft.forward(b);
        for (int k = 3; k < size; k += 2) a[k] = -a[k];
        RealFft.multiply(a, b);
        fft.inverse(a);
        int reach = (int) (0.04 * rateHz);
        int best = 0;
        for (int d = -reach; d <= reach; d++) {
            if (a[Math.floorMod(d, size)] > a[Math.floorMod(best, size)]) best = d;
        }
        // A peak hardly above the one at no offset is not worth naming.
        return a[Math.floorMod(best, size)] > 1.02f * a[0] ? 1000.0 * best / rateHz : 0;
    }
}
