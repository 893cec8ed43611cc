package verisonus.core.evidence.level;

import java.util.Arrays;
import java.util.OptionalDouble;
import java.util.stream.DoubleStream;
import verisonus.core.evidence.signs.OnsetCurve;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.LevelCurve;
import verisonus.core.sound.Sound;

/**
 * How wide is the level, how fast do notes rise, how slowly do they fall? Levels of 50 ms for the spread; 2 ms
 * envelopes around each onset for attack; a straight line from 60 ms after an onset to the next one for sustain.
 *
 * <p>Attack and decay after G. Peeters, "A large set of audio features for sound description", IRCAM, 2004. Input: any channels,
 * half a second or more; mid is read. Units: dB, ms, dB a second. Silence: no spread, no attack. Known error: a note's rise is
 * known within the 2 ms of an envelope's step.
 */
public final class DynamicsEstimator {
    private DynamicsEstimator() {}

    public static DynamicsReading estimate(Sound sound) {
        return estimate(sound, OnsetCurve.of(sound));
    }

    public static DynamicsReading estimate(Sound sound, OnsetCurve beginnings) {
        float[] x = sound.mid();
        double[] onsets = beginnings.onsetsS();
        double[] attacks = new double[onsets.length];
        double[] slopes = new double[onsets.length];
        double[] fine = LevelCurve.of(x, sound.rateHz() / 500, sound.rateHz() / 500);
        double[] coarse = LevelCurve.of(x, sound.rateHz() / 50, sound.rateHz() / 100);
        for (int i = 0; i < onsets.length; i++) {
            double end = i + 1 < onsets.length ? onsets[i + 1] : sound.durationS();
            attacks[i] = attackMs(fine, onsets[i]);
            slopes[i] = slope(coarse, onsets[i] + 0.06, end - 0.03);
        }
        return new DynamicsReading(spread(LevelCurve.of(x, sound.rateHz() / 20, sound.rateHz() / 40)), median(attacks),
                median(slopes));
    }

    private static double spread(double[] levels) {
        double top = Arrays.stream(levels).max().orElse(0);
        double[] kept = Arrays.stream(levels).filter(l -> l > top - 60).sorted().toArray();
        if (kept.length == 0) return 0;
        return kept[(int) Math.round(0.95 * (kept.length - 1))] - kept[(int) Math.round(0.10 * (kept.length - 1))];
    }

    /** Rise from a tenth to nine tenths of the amplitude step within 60 ms around an onset, NaN where there is none. */
    private static double attackMs(double[] fine, double onsetS) {
        int from = Math.max(0, (int) ((onsetS - 0.03) * 500));
        int to = Math.min(fine.length, (int) ((onsetS + 0.05) * 500));
        if (to - from < 10) return Double.NaN;
        int top = from;
        for (int i = from; i < to; i++) if (fine[i] > fine[top]) top = i;
        int low = from;
        for (int i = from; i <= top; i++) if (fine[i] < fine[low]) low = i;
        double a = Decibels.toAmplitude(fine[low]);
        double b = Decibels.toAmplitude(fine[top]);
        if (b < 1.4 * a) return Double.NaN;
        int first = -1;
        int last = -1;
        for (int i = low; i <= top; i++) {
            double v = Decibels.toAmplitude(fine[i]);
            if (first < 0 && v >= a + 0.1 * (b - a)) first = i;
            if (last < 0 && v >= a + 0.9 * (b - a)) last = i;
        }
        return (last - first + 1) * 2.0;
    }

    private static double slope(double[] coarse, double fromS, double toS) {
        int from = (int) (fromS * 100);
        int to = Math.min(coarse.length, (int) (toS * 100));
        int n = to - from;
        if (n < 8) return Double.NaN;
        double sx = 0;
        double sy = 0;
        double sxx = 0;
        double sxy = 0;
        for (int i = 0; i < n; i++) {
            double t = i * 0.01;
            sx += t;
            sy += coarse[from + i];
            sxx += t * t;
            sxy += t * coarse[from + i];
        }
        return (n * sxy - sx * sy) / (n * sxx - sx * sx);
    }

    private static OptionalDouble median(double[] v) {
        double[] kept = DoubleStream.of(v).filter(Double::isFinite).sorted().toArray();
        return kept.length < 3 ? OptionalDouble.empty() : OptionalDouble.of(kept[kept.length / 2]);
    }
}
