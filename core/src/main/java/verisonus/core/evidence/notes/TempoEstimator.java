package verisonus.core.evidence.notes;

import java.util.OptionalDouble;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.OnsetCurve;
import verisonus.core.evidence.signs.Plot;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;

/**
 * How fast is it played? Autocorrelation of the onset curve, scored at multiples of a candidate beat with a log-normal
 * prior around 110 BPM, then refined by the phase sum at one, two and four times the beat rate (after D. P. W. Ellis,
 * "Beat tracking by dynamic programming", JNMR 2007). Input: 4 s or more with rhythm. Usual mistake: half or double.
 */
public final class TempoEstimator {
    private static final double[] MULTIPLES = {0.5, 1, 2, 3, 4, 8};
    private static final double[] WEIGHTS = {0.7, 1, 0.9, 0.6, 0.8, 0.5};

    private TempoEstimator() {}

    public static Finding<TempoReading> estimate(Sound sound) {
        return estimate(sound, OnsetCurve.of(sound));
    }

    public static Finding<TempoReading> estimate(Sound sound, OnsetCurve onsets) {
        double[] flux = onsets.strength();
        int beginnings = onsets.onsetsS().length;
        if (sound.durationS() < 3 || beginnings < 4) return Finding.unknown("too few notes begin to tell a tempo");
        double[] ac = autocorrelation(flux, (int) Math.min(flux.length - 1, 16 / onsets.hopS()));
        if (ac[0] <= 0) return Finding.unknown("no note begins");
        int steps = 300;
        double[] bpms = new double[steps];
        double[] scores = new double[steps];
        int best = 0;
        for (int i = 0; i < steps; i++) {
            bpms[i] = 45 * Math.pow(220 / 45.0, i / (steps - 1.0));
            scores[i] = score(ac, 60 / bpms[i] / onsets.hopS()) * prior(bpms[i]);
            if (scores[i] > scores[best]) best = i;
        }
        double bpm = refine(onsets, bpms[best], 0.03);
        double alternative = bpm > 105 ? bpm / 2 : bpm * 2;
        double strength = scores[best] / prior(bpms[best]);
        // Set by how often it was right on made-up playing: surer than it looks.
        double raw = Math.clamp(0.35 + 0.55 * (strength - 0.15) / 0.35, 0.2, 0.9);
        double confidence = Math.min(0.97, 0.66 + 1.4 * (raw - 0.39));
        return Finding
                .present(new TempoReading(bpm, alternative), confidence,
                        Figures.of("the beginnings of notes repeat at this beat; %.0f BPM fits too", alternative))
                .shownBy(new Plot("how well a beat fits", "BPM", bpms, scores, new double[]{bpm}));
    }

    /** Tempo of a stretch near one that is known, within 6 %; empty where too few notes begin. */
    static OptionalDouble near(Sound sound, double bpm) {
        OnsetCurve onsets = OnsetCurve.of(sound);
        if (onsets.onsetsS().length < 5) return OptionalDouble.empty();
        return OptionalDouble.of(refine(onsets, bpm, 0.06));
    }

    private static double prior(double bpm) {
        double u = Math.log(bpm / 110) / Math.log(2) / 0.9;
        return Math.exp(-0.5 * u * u);
    }

    private static double[] autocorrelation(double[] v, int lags) {
        double[] out = new double[lags];
        double mean = 0;
        for (double x : v) mean += x / v.length;
        for (int l = 0; l < lags; l++) {
            for (int i = 0; i + l < v.length; i++) out[l] += (v[i] - mean) * (v[i + l] - mean);
            // Half way between biased and unbiased: long lags rest on less sound.
            out[l] /= Math.sqrt((double) v.length * (v.length - l));
        }
        double zero = Math.max(out[0], 1e-12);
        for (int l = 0; l < lags; l++) out[l] /= zero;
        return out;
    }

    private static double score(double[] ac, double beat) {
        double sum = 0;
        double weight = 0;
        for (int m = 0; m < MULTIPLES.length; m++) {
            double lag = MULTIPLES[m] * beat;
            int at = (int) Math.round(lag);
            if (at + 2 >= ac.length || at < 3) continue;
            double peak = Math.max(ac[at], 0.8 * Math.max(ac[at - 1], ac[at + 1]));
            sum += WEIGHTS[m] * peak;
            weight += WEIGHTS[m];
        }
        return weight == 0 ? 0 : sum / weight;
    }

    private static double refine(OnsetCurve onsets, double bpm, double reach) {
        double best = bpm;
        double bestSum = -1;
        for (double f = 1 - reach; f <= 1 + reach; f += 0.0002) {
            double sum = 0;
            for (int multiple : new int[]{1, 2, 4}) sum += phaseSum(onsets, bpm * f / 60 * multiple);
            if (sum > bestSum) {
                bestSum = sum;
                best = bpm * f;
            }
        }
        return best;
    }

    private static double phaseSum(OnsetCurve onsets, double hz) {
        double re = 0;
        double im = 0;
        double[] v = onsets.strength();
        double step = 2 * Math.PI * hz * onsets.hopS();
        double c = Math.cos(2 * step);
        double s = Math.sin(2 * step);
        // Two hands turned on side by side: one alone would wait for itself.
        double x = 1;
        double y = 0;
        double x1 = Math.cos(step);
        double y1 = Math.sin(step);
        for (int i = 0; i + 1 < v.length; i += 2) {
            re += v[i] * x + v[i + 1] * x1;
            im += v[i] * y + v[i + 1] * y1;
            double next = x * c - y * s;
            y = x * s + y * c;
            x = next;
            next = x1 * c - y1 * s;
            y1 = x1 * s + y1 * c;
            x1 = next;
        }
        if (v.length % 2 == 1) {
            re += v[v.length - 1] * x;
            im += v[v.length - 1] * y;
        }
        return Math.hypot(re, im);
    }
}
