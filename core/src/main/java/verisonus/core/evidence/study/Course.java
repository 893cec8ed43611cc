package verisonus.core.evidence.study;

import verisonus.core.sound.Biquad;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;

/**
 * How do level, brightness, body and width run over a recording? One value per step, for the eye rather than for figures.
 *
 * @param stepS time between values
 * @param levelDb RMS level, dBFS, at least −90
 * @param brightnessHz centre of energy on a logarithmic axis; 0 where there is silence
 * @param bodyDb level from 160 to 400 Hz against the whole, dB, −30 to 0
 * @param widthDb side against mid, dB, −40 to 6; −40 for mono
 * @param alone how likely nothing else plays, 0 to 1: little under 66 Hz and over 7 kHz, over about a second
 */
public record Course(double stepS, float[] levelDb, float[] brightnessHz, float[] bodyDb, float[] widthDb,
        float[] alone) {
    private static final int SIZE = 2048;
    private static final double SILENT_DB = -75;

    /** @param steps about how many values; never closer than a window's half */
    public static Course of(Sound sound, int steps) {
        float[] mid = sound.mid();
        float[] side = sound.side();
        int hop = Math.max(SIZE / 2, mid.length / Math.max(1, steps));
        int n = Math.max(1, mid.length / hop);
        Course out = new Course((double) hop / sound.rateHz(), new float[n], new float[n], new float[n], new float[n],
                new float[n]);
        Stft stft = new Stft(SIZE, 1);
        float[] buffer = new float[SIZE];
        float[] power = new float[SIZE / 2 + 1];
        double width = (double) sound.rateHz() / SIZE;
        double[][] outside = shares(mid, sound.rateHz(), hop, n);
        for (int t = 0; t < n; t++) {
            int from = t * hop;
            int to = Math.min(mid.length, from + hop);
            double m = power(mid, from, to);
            double s = power(side, from, to);
            out.levelDb[t] = (float) Math.max(-90, Decibels.fromPower(m + s));
            out.widthDb[t] = (float) Math.clamp(Decibels.fromPower(s) - Decibels.fromPower(m), -40, 6);
            if (out.levelDb[t] < SILENT_DB || mid.length < SIZE) {
                out.bodyDb[t] = -30;
                out.widthDb[t] = -40;
                continue;
            }
            int start = Math.clamp(from + (hop - SIZE) / 2, 0, mid.length - SIZE);
            stft.frame(mid, start, buffer, power);
            colour(power, width, t, out);
        }
        alone(out, outside);
        return out;
    }

    /** Energy by step under the guitar, of the guitar's own bands, and over it. */
    private static double[][] shares(float[] mid, int rateHz, int hop, int steps) {
        Biquad low = Biquad.lowPass(48, 0.7071, rateHz);
        Biquad ownLow = Biquad.highPass(160, 0.7071, rateHz);
        Biquad ownHigh = Biquad.lowPass(Math.min(2500, 0.4 * rateHz), 0.7071, rateHz);
        Biquad high = Biquad.highPass(Math.min(7000, 0.45 * rateHz), 0.7071, rateHz);
        return new double[][]{filtered(mid, hop, steps, rateHz, low, low), filtered(mid, hop, steps, rateHz, ownLow,
                ownHigh), filtered(mid, hop, steps, rateHz, high, high)};
    }

    private static double[] filtered(float[] mid, int hop, int steps, int rateHz, Biquad first, Biquad second) {
        Biquad.Section a = new Biquad.Section(first);
        Biquad.Section b = new Biquad.Section(second);
        double[] out = new double[steps];
        float[] piece = new float[hop];
        for (int t = 0; t < steps; t++) {
            int n = Math.min(hop, mid.length - t * hop);
            System.arraycopy(mid, t * hop, piece, 0, n);
            a.process(piece, 0, n);
            b.process(piece, 0, n);
            for (int i = 0; i < n; i++) out[t] += (double) piece[i] * piece[i];
        }
        return out;
    }

    private static void alone(Course c, double[][] outside) {
        int half = Math.max(1, (int) Math.round(0.5 / c.stepS));
        for (int t = 0; t < c.alone.length; t++) {
            double[] sum = {1e-13, 1e-12, 1e-13};
            for (int i = Math.max(0, t - half); i < Math.min(c.alone.length, t + half + 1); i++) {
                for (int b = 0; b < 3; b++) sum[b] += outside[b][i];
            }
            double low = 1 / (1 + Math.exp((10 * Math.log10(sum[0] / sum[1]) + 24) / 2.5));
            double high = 1 / (1 + Math.exp((10 * Math.log10(sum[2] / sum[1]) + 26) / 2.5));
            c.alone[t] = (float) (low * high);
        }
    }

    private static void colour(float[] power, double width, int t, Course out) {
        double sum = 1e-20;
        double weighted = 0;
        double body = 1e-20;
        for (int k = 2; k < power.length; k++) {
            double hz = k * width;
            sum += power[k];
            weighted += power[k] * Math.log(hz);
            if (hz >= 160 && hz < 400) body += power[k];
        }
        out.brightnessHz[t] = (float) Math.exp(weighted / sum);
        out.bodyDb[t] = (float) Math.clamp(10 * Math.log10(body / sum), -30, 0);
    }

    private static double power(float[] x, int from, int to) {
        double sum = 0;
        for (int i = from; i < to; i++) sum += (double) x[i] * x[i];
        return sum / Math.max(1, to - from);
    }
}
