package verisonus.core.take;

import java.util.Arrays;
import java.util.OptionalInt;
import verisonus.core.sound.RealFft;

/**
 * How much later a recording plays than a dry take of the very same performance, to the sample: the phases of their spectra
 * against each other hold one delay for all frequencies, whatever amp and box made of the levels (generalized cross-correlation
 * with phase transform; C. H. Knapp, G. C. Carter, IEEE ASSP 24, 1976). A phrase played again agrees in no phase and gives none.
 */
public final class SharpOffset {
    private static final double FROM_HZ = 100;
    private static final double TO_HZ = 4000;
    /** Peak over RMS within reach. One performance gives 15 to 27, two hardly 5. */
    private static final double SHARP = 9;
    /** The peak against the next that lies further off than it is wide. */
    private static final double ALONE = 1.6;
    private static final double WIDE_S = 0.001;

    private SharpOffset() {}

    /** In samples, within {@code reachS} of a shift that is roughly known; empty where the two are not one performance. */
    public static OptionalInt find(float[] reference, float[] di, int rateHz, int near, double reachS) {
        int reach = (int) (reachS * rateHz);
        // Only what can play under the reference: the rest of a long take would be noise.
        float[] under = new float[reference.length + 2 * reach];
        int early = near + reach;
        int from = Math.max(0, early);
        int count = Math.min(under.length, di.length + early) - from;
        if (count > 0) System.arraycopy(di, from - early, under, from, count);
        int size = RealFft.sizeFor(reference.length + under.length);
        RealFft fft = new RealFft(size);
        float[] a = Arrays.copyOf(reference, size);
        float[] b = Arrays.copyOf(under, size);
        fft.forward(a);
        fft.forward(b);
        phases(a, b, rateHz);
        fft.inverse(a);
        // The reference plays as much later than the cut take as the cut was early, more or less.
        int best = -reach;
        double power = 0;
        for (int s = -2 * reach; s <= 0; s++) {
            double v = at(a, s);
            power += v * v / (2 * reach + 1.0);
            if (v > at(a, best)) best = s;
        }
        double next = 0;
        int wide = (int) (WIDE_S * rateHz);
        for (int s = -2 * reach; s <= 0; s++) {
            if (Math.abs(s - best) > wide) next = Math.max(next, at(a, s));
        }
        double peak = at(a, best);
        boolean sharp = peak > SHARP * Math.sqrt(power) && peak > ALONE * next;
        return sharp ? OptionalInt.of(near + reach + best) : OptionalInt.empty();
    }

    /** A turned phase is as good a beginning. */
    private static double at(float[] x, int shift) {
        return Math.abs(x[Math.floorMod(shift, x.length)]);
    }

    /** a becomes the phase of a against b within the band, nothing outside and where either has nothing. */
    private static void phases(float[] a, float[] b, int rateHz) {
        int size = a.length;
        double most = 0;
        for (int k = 1; k < size / 2; k++) most = Math.max(most, magnitude(a, k) * magnitude(b, k));
        a[0] = 0;
        a[1] = 0;
        for (int k = 1; k < size / 2; k++) {
            double hz = (double) k * rateHz / size;
            double m = magnitude(a, k) * magnitude(b, k);
            double w = hz < FROM_HZ || hz > TO_HZ || m < 1e-9 * most ? 0 : 1 / m;
            double re = a[2 * k] * (double) b[2 * k] + a[2 * k + 1] * (double) b[2 * k + 1];
            double im = a[2 * k + 1] * (double) b[2 * k] - a[2 * k] * (double) b[2 * k + 1];
            a[2 * k] = (float) (w * re);
            a[2 * k + 1] = (float) (w * im);
        }
    }

    private static double magnitude(float[] x, int k) {
        return Math.hypot(x[2 * k], x[2 * k + 1]);
    }
}
