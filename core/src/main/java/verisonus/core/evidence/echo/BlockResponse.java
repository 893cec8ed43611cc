package verisonus.core.evidence.echo;

import java.util.Optional;
import verisonus.core.evidence.signs.RunningMean;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;

/**
 * What comes back of each half second that a take plays: the recording after it is divided by it, energies are averaged over
 * the take, and what the take itself plays again at that lag is taken off. Averaging energies instead of waves lets the time
 * of a repeat sway by some milliseconds, and lets clippers stand in between.
 *
 * @param energy by sample of lag at {@value #RATE_HZ} Hz, the sound itself being 1, spread over {@value #REACH} samples to
 *     either side
 * @param standing each lag's energy over its surroundings, in standard deviations
 */
public record BlockResponse(double[] energy, double[] standing) {
    private static final int RATE_HZ = 16000;
    private static final int BLOCK = 8192;
    private static final int SIZE = 32768;
    private static final int DIRECT = 48;
    private static final int REACH = 28;
    private static final int AROUND = 640;
    /** A second one among the first one's repeats must stand out this far. */
    private static final double SECOND = 7.5;
    private static final double FIRST_S = 0.06;
    private static final double LAST_S = 1.3;

    /** @param lagS how much later the recording's sound comes than the take's */
    public static BlockResponse of(Sound recording, Sound take, double lagS) {
        float[] r = recording.atRate(RATE_HZ).mid();
        float[] d = take.atRate(RATE_HZ).mid();
        int shift = (int) Math.round(lagS * RATE_HZ);
        float[] t = new float[r.length];
        for (int i = 0; i < t.length; i++) if (i - shift >= 0 && i - shift < d.length) t[i] = d[i - shift];
        double[] heard = averaged(r, t);
        double[] played = averaged(t, t);
        for (int i = 0; i < heard.length; i++) heard[i] -= played[i];
        double[] near = RunningMean.of(heard, REACH);
        double[] wide = RunningMean.of(near, AROUND);
        double[] standing = new double[near.length];
        double square = 1e-15;
        int from = (int) (FIRST_S * RATE_HZ);
        int to = (int) (LAST_S * RATE_HZ);
        for (int i = from; i < to; i++) square += (near[i] - wide[i]) * (near[i] - wide[i]) / (to - from);
        double deviation = Math.sqrt(square);
        for (int i = from; i < to; i++) standing[i] = (near[i] - wide[i]) / deviation;
        for (int i = 0; i < near.length; i++) near[i] = (near[i] - wide[i]) * (2 * REACH + 1) / (2.0 * DIRECT);
        return new BlockResponse(near, standing);
    }

    /** Lag that stands out most, seconds. */
    public double strongestS() {
        int best = 0;
        for (int i = 1; i < standing.length; i++) if (standing[i] > standing[best]) best = i;
        return (double) best / RATE_HZ;
    }

    /** The lag that stands out most of those that are no multiple of another one, and clearly; seconds. */
    public Optional<Double> strongestBesideS(double otherS) {
        int best = 0;
        for (int i = 1; i < standing.length; i++) {
            double lag = (double) i / RATE_HZ;
            double n = Math.max(1, Math.rint(lag / otherS));
            double part = Math.max(1, Math.rint(otherS / lag));
            boolean explained = Math.abs(lag - n * otherS) < 0.012 || Math.abs(otherS - part * lag) < 0.012;
            if (!explained && standing[i] > standing[best]) best = i;
        }
        boolean clear = standing[best] > SECOND && standing[best] > 0.45 * standingAt(otherS);
        return !clear ? Optional.empty() : Optional.of((double) best / RATE_HZ);
    }

    /** Most that a lag within 4 ms stands out. */
    public double standingAt(double lagS) {
        double most = 0;
        for (int i = index(lagS - 0.004); i <= index(lagS + 0.004); i++) most = Math.max(most, standing[i]);
        return most;
    }

    /** Level of what comes back at a lag against the sound, dB; empty where nothing does. */
    public Optional<Double> levelDb(double lagS) {
        double most = 0;
        for (int i = index(lagS - 0.003); i <= index(lagS + 0.003); i++) most = Math.max(most, energy[i]);
        return most <= 1e-4 ? Optional.empty() : Optional.of(Decibels.fromPower(most));
    }

    private int index(double lagS) {
        return Math.clamp(Math.round(lagS * RATE_HZ), 0, energy.length - 1);
    }

    private static double[] averaged(float[] r, float[] t) {
        RealFft fft = new RealFft(SIZE);
        float[] window = Stft.hann(BLOCK);
        int lags = (int) (1.4 * RATE_HZ);
        double[] sum = new double[lags];
        double top = 0;
        for (float v : t) top = Math.max(top, Math.abs(v));
        int blocks = 0;
        for (int at = 0; at + BLOCK < t.length; at += BLOCK / 2) {
            float[] a = new float[SIZE];
            double square = 0;
            for (int i = 0; i < BLOCK; i++) {
                a[i] = t[at + i] * window[i];
                square += a[i] * a[i];
            }
            if (Math.sqrt(square / BLOCK) < 0.03 * top) continue;
            float[] b = new float[SIZE];
            System.arraycopy(r, at, b, 0, Math.min(SIZE, r.length - at));
            fft.forward(a);
            fft.forward(b);
            float[] h = divided(b, a);
            fft.inverse(h);
            double direct = 1e-12;
            for (int i = 0; i < DIRECT; i++) direct += h[i] * h[i] + h[SIZE - 1 - i] * h[SIZE - 1 - i];
            // One block in which the direct sound is nearly silent must not speak for all.
            for (int i = 0; i < lags; i++) sum[i] += Math.min(2, h[i] * h[i] / direct * 2 * DIRECT);
            blocks++;
        }
        for (int i = 0; i < lags; i++) sum[i] /= Math.max(1, blocks);
        return sum;
    }

    private static float[] divided(float[] b, float[] a) {
        int low = 200 * SIZE / RATE_HZ;
        int high = 2500 * SIZE / RATE_HZ;
        double mean = 1e-20;
        for (int k = low; k < high; k++) mean += (a[2 * k] * a[2 * k] + a[2 * k + 1] * a[2 * k + 1]) / (high - low);
        float[] h = new float[SIZE];
        for (int k = low; k < high; k++) {
            double p = a[2 * k] * a[2 * k] + a[2 * k + 1] * a[2 * k + 1] + 0.1 * mean;
            h[2 * k] = (float) ((b[2 * k] * a[2 * k] + b[2 * k + 1] * a[2 * k + 1]) / p);
            h[2 * k + 1] = (float) ((b[2 * k + 1] * a[2 * k] - b[2 * k] * a[2 * k + 1]) / p);
        }
        return h;
    }

}
