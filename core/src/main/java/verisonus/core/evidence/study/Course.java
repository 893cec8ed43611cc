package verisonus.core.evidence.study;

import verisonus.core.evidence.signs.OnsetCurve;
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
 * @param alone how likely nothing else plays, 0 to 1, by {@link AloneBars}
 * @param beginnings how many notes begin within the step
 */
public record Course(double stepS, float[] levelDb, float[] brightnessHz, float[] bodyDb, float[] widthDb,
        float[] alone, float[] beginnings) {
    private static final int SIZE = 2048;
    private static final double SILENT_DB = -75;

    /** @param steps about how many values; never closer than a window's half */
    public static Course of(Sound sound, int steps) {
        float[] mid = sound.mid();
        float[] side = sound.side();
        int hop = Math.max(SIZE / 2, mid.length / Math.max(1, steps));
        int n = Math.max(1, mid.length / hop);
        Course out = new Course((double) hop / sound.rateHz(), new float[n], new float[n], new float[n], new float[n],
                new float[n], new float[n]);
        Stft stft = new Stft(SIZE, 1);
        float[] buffer = new float[SIZE];
        float[] power = new float[SIZE / 2 + 1];
        double width = (double) sound.rateHz() / SIZE;
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
        alone(out, sound);
        for (double atS : OnsetCurve.of(sound).onsetsS())
            out.beginnings[Math.clamp((int) (atS / out.stepS), 0, n - 1)]++;
        return out;
    }

    /** {@link AloneBars} at every step; where nothing sounds, nobody else plays. */
    private static void alone(Course c, Sound sound) {
        AloneBars bars = AloneBars.of(sound);
        for (int t = 0; t < c.alone.length; t++) c.alone[t] = (float) bars.likelihoodAt((t + 0.5) * c.stepS);
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
