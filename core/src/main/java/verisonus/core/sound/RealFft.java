package verisonus.core.sound;

import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.jtransforms.fft.DoubleFFT_1D;
import org.jtransforms.fft.FloatFFT_1D;
import org.visnow.jlargearrays.ConcurrencyUtils;

/**
 * Real Fourier transforms of one length, in the packed order of the library: re(0), re(n/2), re(1), im(1), … Forward
 * is unscaled, inverse is scaled by 1/n. Objects are cheap to use from one thread, not from several.
 */
public final class RealFft {
    static {
        // The library's own threads make small transforms slower and the machine's load unpredictable.
        ConcurrencyUtils.setNumberOfThreads(1);
    }

    /** Tables of transforms up to this size are kept: making them costs as much as some transforms, and they are only read. */
    private static final int LARGEST_KEPT = 1 << 17;
    private static final Map<Integer, FloatFFT_1D> SINGLE = new ConcurrentHashMap<>();
    private static final Map<Integer, DoubleFFT_1D> PRECISE = new ConcurrentHashMap<>();

    private final int size;
    private @Nullable FloatFFT_1D single;
    private @Nullable DoubleFFT_1D precise;

    /** @param size number of real samples, a power of two */
    public RealFft(int size) {
        if (Integer.bitCount(size) != 1) throw new IllegalArgumentException("size " + size + " is no power of two");
        this.size = size;
    }

    private FloatFFT_1D single() {
        FloatFFT_1D known = single;
        if (known != null) return known;
        FloatFFT_1D made = size <= LARGEST_KEPT
                ? SINGLE.computeIfAbsent(size, FloatFFT_1D::new)
                : new FloatFFT_1D(size);
        single = made;
        return made;
    }

    private DoubleFFT_1D precise() {
        DoubleFFT_1D known = precise;
        if (known != null) return known;
        DoubleFFT_1D made = size <= LARGEST_KEPT
                ? PRECISE.computeIfAbsent(size, DoubleFFT_1D::new)
                : new DoubleFFT_1D(size);
        precise = made;
        return made;
    }

    public int size() {
        return size;
    }

    public void forward(float[] x) {
        single().realForward(x);
    }

    public void inverse(float[] x) {
        single().realInverse(x, true);
    }

    public void forward(double[] x) {
        precise().realForward(x);
    }

    public void inverse(double[] x) {
        precise().realInverse(x, true);
    }

    /** Power |X|² of bins 0 to n/2 (n/2+1 values) from a packed spectrum. */
    public void power(float[] packed, float[] out) {
        out[0] = packed[0] * packed[0];
        out[size / 2] = packed[1] * packed[1];
        for (int k = 1; k < size / 2; k++) {
            float re = packed[2 * k];
            float im = packed[2 * k + 1];
            out[k] = re * re + im * im;
        }
    }

    /** Product of two packed spectra, into the first. */
    public static void multiply(float[] a, float[] b) {
        a[0] *= b[0];
        a[1] *= b[1];
        for (int k = 2; k < a.length; k += 2) {
            float re = a[k] * b[k] - a[k + 1] * b[k + 1];
            a[k + 1] = a[k] * b[k + 1] + a[k + 1] * b[k];
            a[k] = re;
        }
    }

    /** Smallest power of two that is at least {@code n}. */
    public static int sizeFor(int n) {
        return n <= 1 ? 1 : Integer.highestOneBit(n - 1) << 1;
    }
}
