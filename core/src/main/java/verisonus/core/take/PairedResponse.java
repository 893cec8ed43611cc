package verisonus.core.take;

import java.util.Arrays;
import java.util.Optional;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Sound;

/**
 * What happens to a dry take on its way into a recording of the same performance, as energy against lag: the recording
 * divided by the take in frequency, regularised (A. Farina, "Simultaneous measurement of impulse response and distortion with
 * a swept-sine technique", AES 108, 2000, with playing in place of a sweep), from 300 to 4000 Hz. Only a take of the very
 * same performance gives a sharp beginning; another take of the phrase does not, and is told apart by that.
 *
 * @param energy by millisecond from the direct sound on, the direct sound's own five milliseconds summed into the first
 * @param lagS how much later the recording's sound comes than the take's
 */
public record PairedResponse(double[] energy, double lagS) {
    private static final int RATE_HZ = 16000;
    private static final int PER_MS = RATE_HZ / 1000;
    private static final int LONGEST_MS = 3000;
    private static final int DIRECT_MS = 5;
    /** A beginning less sharp than this does not come from one performance. */
    private static final double SHARP = 30;

    /** Empty where the take is of another performance. */
    public static Optional<PairedResponse> of(Sound recording, Sound take) {
        float[] r = recording.atRate(RATE_HZ).mid();
        float[] d = take.atRate(RATE_HZ).mid();
        int size = RealFft.sizeFor(r.length + d.length);
        RealFft fft = new RealFft(size);
        float[] a = Arrays.copyOf(r, size);
        float[] b = Arrays.copyOf(d, size);
        fft.forward(a);
        fft.forward(b);
        divide(a, b, size);
        fft.inverse(a);
        int peak = 0;
        for (int i = 0; i < size; i++) if (Math.abs(a[i]) > Math.abs(a[peak])) peak = i;
        double[] ms = new double[LONGEST_MS];
        for (int m = 0; m < LONGEST_MS; m++) ms[m] = energyAt(a, peak + m * PER_MS - PER_MS / 2, PER_MS);
        double direct = energyAt(a, peak - 2 * PER_MS, (DIRECT_MS + 2) * PER_MS);
        double near = energyAt(a, peak - 210 * PER_MS, 200 * PER_MS) / 200;
        if (direct < SHARP * DIRECT_MS * near) return Optional.empty();
        Arrays.fill(ms, 0, DIRECT_MS, 0);
        ms[0] = direct;
        double lag = (peak < size / 2 ? peak : peak - size) / (double) RATE_HZ;
        return Optional.of(new PairedResponse(ms, lag));
    }

    /** Whether a lag holds a repeat to the millisecond, standing far over what is around it. */
    public boolean isSharpAt(double ms) {
        int m = (int) Math.round(peakMs(ms));
        return around(m) > 20 * surroundings(m);
    }

    /** The millisecond of most energy within 3 of a lag. */
    public double peakMs(double near) {
        int best = Math.clamp(Math.round(near), 4, energy.length - 5);
        int centre = best;
        for (int m = centre - 3; m <= centre + 3; m++) if (energy[m] > energy[best]) best = m;
        double a = energy[best - 1];
        double c = energy[best + 1];
        return best + (c - a) / (a + energy[best] + c + 1e-15);
    }

    /** Energy of three milliseconds around a lag against the sound itself, dB. */
    public double levelDb(double ms) {
        int m = Math.clamp(Math.round(ms), 1, energy.length - 2);
        return 10 * Math.log10(around(m) / energy[0] + 1e-15);
    }

    private double around(int m) {
        return energy[m - 1] + energy[m] + energy[m + 1];
    }

    /** Median energy of a millisecond from 5 to 40 ms beside. */
    private double surroundings(int m) {
        double[] v = new double[72];
        int n = 0;
        for (int d = 5; d <= 40; d++) {
            if (m - d > 0) v[n++] = energy[m - d];
            if (m + d < energy.length) v[n++] = energy[m + d];
        }
        double[] s = Arrays.copyOf(v, n);
        Arrays.sort(s);
        return n == 0 ? 0 : s[n / 2] + 1e-15;
    }

    private static double energyAt(float[] x, int from, int count) {
        double sum = 0;
        for (int i = from; i < from + count; i++)
            sum += (double) x[Math.floorMod(i, x.length)] * x[Math.floorMod(i, x.length)];
        return sum;
    }

    /** a becomes a/b in the band, with what b hardly has held down, and nothing outside. */
    private static void divide(float[] a, float[] b, int size) {
        int from = (int) (300.0 * size / RATE_HZ);
        int to = (int) (4000.0 * size / RATE_HZ);
        double mean = 0;
        for (int k = from; k < to; k++) mean += (b[2 * k] * b[2 * k] + b[2 * k + 1] * b[2 * k + 1]) / (to - from);
        for (int k = 0; k < size / 2; k++) {
            float re = a[2 * k];
            float im = a[2 * k + 1];
            float br = b[2 * k];
            float bi = b[2 * k + 1];
            double edge = k <= from || k >= to
                    ? 0
                    : 0.5 - 0.5 * Math.cos(2 * Math.PI * (k - from) / (double) (to - from));
            float w = (float) (edge / (br * br + bi * bi + 0.02 * mean));
            a[2 * k] = w * (re * br + im * bi);
            a[2 * k + 1] = w * (im * br - re * bi);
        }
        a[0] = 0;
        a[1] = 0;
    }
}
