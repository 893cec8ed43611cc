package verisonus.core.travel.sweep;

import java.util.Arrays;
import java.util.Optional;
import verisonus.core.sound.Bands;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Sound;

/**
 * One recording of the sweep, undone.
 *
 * @param power response in third octaves, noise taken off, not yet against any reference
 * @param noise what the noise has in each, on the same scale
 * @param lowestHz under which it says nothing, because the beginning is missing; 0 where it says all
 * @param highestHz over which it says nothing, because the recording holds no more
 * @param envelope its level while the sweep ran; of no meaning where it cannot be used
 * @param levelJudged whether its tones stand out, so that something that turned the level by itself would have been seen
 * @param fault why it cannot be used; empty where it can
 */
record SweepRun(double[] power, double[] noise, double lowestHz, double highestHz, SweepEnvelope envelope,
        boolean levelJudged, Optional<SweepFault> fault) {
    static final Bands BANDS = Bands.thirds(31.5, 16000);
    private static final int RATE_HZ = Sound.WORKING_RATE_HZ;
    private static final double SILENT = 1e-4;
    /** The answer's largest sample against the mean of all others, where it is this sweep's; another's has no such peak. */
    private static final double CONCENTRATED_DB = 26;
    /** A sine never stays at its crest this many samples above 500 Hz; one that is cut off does. */
    private static final int FLAT_RUN = 4;
    private static final int FLAT_RUNS = 20;
    private static final double FLAT_FROM_HZ = 500;
    /** A third harmonic this strong is no loudspeaker's any more. */
    private static final double DISTORTED_DB = -20;
    /** High notes may answer sooner than low ones by a crossover's delay, not by more. */
    private static final double DRIFT_S = 0.001;
    /** So far apart no two clocks run: it is a sweep of another speed. */
    private static final double ANOTHER_S = 0.02;
    /** A recording that begins within this much of the sweep has lost nothing but its fade-in. */
    private static final double LATE_S = 0.02;
    /** Of the rate: above it a converter's filter has begun. */
    private static final double BELOW_NYQUIST = 0.45;
    /** Loudspeakers that warm up change by a few tenths. */
    private static final double LEVEL_CHANGES_DB = 0.7;
    /** A tone's level by its window stands 9 dB under its RMS; it has to stand 10 dB over the noise of all frequencies. */
    private static final double TONE_UNDER_RMS_DB = -1;
    private static final double WINDOW_S = 1.0;
    private static final double NOISE_FROM_S = 1.15;
    private static final double NOISE_S = 0.3;

    private static SweepRun refused(SweepFault fault) {
        return new SweepRun(new double[BANDS.count()], new double[BANDS.count()], 0, 0,
                new SweepEnvelope(new double[0], 0), false, Optional.of(fault));
    }

    static SweepRun of(ExponentialSweep sweep, Sound heard) {
        Sound at48 = heard.atRate(RATE_HZ);
        if (at48.peak() < SILENT) return refused(SweepFault.SILENT);
        if (at48.frames() < sweep.frames() + sweep.leadFrames() / 2) return refused(SweepFault.TOO_SHORT);
        float[] x = louder(at48);
        float[] h = sweep.undo(x);
        int peak = peak(h, 0, h.length);
        if (contrastDb(h, peak) < CONCENTRATED_DB)
            return refused(isNoisy(x, sweep) ? SweepFault.NOISY : SweepFault.OTHER_SWEEP);
        int starts = peak > h.length / 2 ? peak - h.length : peak;
        int begins = starts + sweep.leadFrames();
        if (begins < -frames(LATE_S)) return refused(SweepFault.BEGINS_LATE);
        if (starts + sweep.leadFrames() + sweep.frames() > x.length + RATE_HZ / 100)
            return refused(SweepFault.TOO_SHORT);
        if (isFlatAtTheTop(x, starts + sweep.leadFrames() + sweep.frameOf(FLAT_FROM_HZ)) || thirdHarmonicDb(sweep, h,
                peak) > DISTORTED_DB)
            return refused(SweepFault.CLIPPED);
        SweepEnvelope envelope = SweepEnvelope.of(x, sweep, begins);
        if (envelope.hasHole(x, sweep, begins)) return refused(SweepFault.DROPPED_OUT);
        ExponentialSweep.Tones tones = sweep.tonesDb(x, starts);
        boolean judged = standOut(tones, envelope.noiseDb());
        if (judged && changesLevel(tones)) return refused(SweepFault.LEVEL_CONTROL);
        double apart = Math.abs(arrival(h, peak, 4000, 14000) - arrival(h, peak, 300, 1200)) / RATE_HZ;
        if (apart > ANOTHER_S) return refused(SweepFault.OTHER_SWEEP);
        if (apart > DRIFT_S) return refused(SweepFault.CLOCK_DRIFT);
        double[] noise = bands(stretch(h, peak + frames(NOISE_FROM_S), frames(NOISE_S)));
        double[] power = bands(windowed(h, peak));
        double longer = WINDOW_ENERGY * WINDOW_S / NOISE_S;
        for (int b = 0; b < power.length; b++) {
            noise[b] *= longer;
            power[b] = Math.max(power[b] - noise[b], 0.02 * power[b]);
        }
        double muted = envelope.mutedS();
        return new SweepRun(power, noise, muted == 0 ? 0 : sweep.hzAt(muted) * Math.pow(2, 1 / 6.0),
                heard.rateHz() < RATE_HZ ? BELOW_NYQUIST * heard.rateHz() : Double.POSITIVE_INFINITY, envelope,
                judged, Optional.empty());
    }

    /** Whether the tones can be read; in a recording of the signal as it once was written there are none. */
    private static boolean standOut(ExponentialSweep.Tones t, double noiseDb) {
        return t.soft() > noiseDb - TONE_UNDER_RMS_DB && t.loud() > t.soft() + 3
                && t.again() != Double.NEGATIVE_INFINITY;
    }

    /** Whether the tones say that something turned the level by itself. */
    private static boolean changesLevel(ExponentialSweep.Tones t) {
        double nearer = t.loud() - t.soft() - ExponentialSweep.TONES_APART_DB;
        return Math.abs(nearer) > LEVEL_CHANGES_DB || Math.abs(t.again() - t.loud()) > LEVEL_CHANGES_DB
                || Math.abs(t.settled() - t.builtUp()) > LEVEL_CHANGES_DB;
    }

    private static int frames(double s) {
        return (int) (s * RATE_HZ);
    }

    private static float[] louder(Sound s) {
        return !s.isStereo() || energy(s.channel(0)) >= energy(s.channel(1)) ? s.channel(0) : s.channel(1);
    }

    private static double energy(float[] x) {
        double sum = 0;
        for (float v : x) sum += (double) v * v;
        return sum;
    }

    private static int peak(float[] h, int from, int to) {
        int at = from;
        for (int i = from; i < to; i++)
            if (Math.abs(h[Math.floorMod(i, h.length)]) > Math.abs(h[Math.floorMod(at, h.length)])) at = i;
        return at;
    }

    private static double contrastDb(float[] h, int peak) {
        double own = (double) h[peak] * h[peak];
        return 10 * Math.log10(own / ((energy(h) - own) / h.length + 1e-30));
    }

    /** Whether what comes before and after the sweep is nearly as loud as all. */
    private static boolean isNoisy(float[] x, ExponentialSweep sweep) {
        int n = sweep.leadFrames() / 2;
        double quiet = 0;
        for (int i = 0; i < n; i++)
            quiet += ((double) x[i] * x[i] + (double) x[x.length - 1 - i] * x[x.length - 1 - i])
                    / (2.0 * n);
        return quiet > 0.2 * energy(x) / x.length;
    }

    private static boolean isFlatAtTheTop(float[] x, int from) {
        int runs = 0;
        int run = 1;
        for (int i = Math.max(1, from); i < x.length; i++) {
            boolean same = Math.abs(x[i]) > 0.05 && Math.abs(x[i] - x[i - 1]) < 1e-6;
            run = same ? run + 1 : 1;
            if (run == FLAT_RUN) runs++;
        }
        return runs >= FLAT_RUNS;
    }

    private static double thirdHarmonicDb(ExponentialSweep sweep, float[] h, int peak) {
        int third = peak - sweep.harmonicFrames(3);
        int half = frames(0.01);
        double own = energy(stretch(h, peak - half, 2 * half));
        double other = energy(stretch(h, third - half, 2 * half));
        return 10 * Math.log10(other / (own + 1e-30) + 1e-30);
    }

    /** When the notes of a range first answer, in samples against the peak. */
    private static double arrival(float[] h, int peak, double fromHz, double toHz) {
        int n = 1 << 13;
        double[] w = new double[n];
        for (int i = 0; i < n; i++) w[i] = h[Math.floorMod(peak - n / 2 + i, h.length)];
        RealFft fft = new RealFft(n);
        fft.forward(w);
        w[0] = 0;
        w[1] = 0;
        for (int k = 2; k < n; k += 2) {
            double hz = (k / 2.0) * RATE_HZ / n;
            double octaves = Math.abs(Math.log(hz / Math.sqrt(fromHz * toHz)) / Math.log(toHz / fromHz));
            double g = octaves >= 0.5 ? 0 : 0.5 + 0.5 * Math.cos(2 * Math.PI * octaves);
            w[k] *= g;
            w[k + 1] *= g;
        }
        fft.inverse(w);
        double top = Arrays.stream(w).map(Math::abs).max().orElse(0);
        int at = 0;
        while (at < n - 1 && Math.abs(w[at]) < 0.5 * top) at++;
        return at - n / 2.0;
    }

    private static float[] stretch(float[] h, int from, int length) {
        float[] out = new float[length];
        for (int i = 0; i < length; i++) out[i] = h[Math.floorMod(from + i, h.length)];
        return out;
    }

    /** Mean of the square of {@link #windowed}'s window: full for 60 %, then half a cosine. */
    private static final double WINDOW_ENERGY = 0.6 + 0.4 * 0.375;

    private static float[] windowed(float[] h, int peak) {
        int before = frames(0.02);
        int length = frames(WINDOW_S);
        float[] out = stretch(h, peak - before, before + length);
        for (int i = 0; i < before; i++) out[i] *= (float) (0.5 - 0.5 * Math.cos(Math.PI * i / before));
        for (int i = (int) (0.6 * length); i < length; i++) {
            out[before + i] *= (float) (0.5 + 0.5 * Math.cos(Math.PI * (i - 0.6 * length) / (0.4 * length)));
        }
        return out;
    }

    private static double[] bands(float[] h) {
        int n = 1 << 16;
        RealFft fft = new RealFft(n);
        float[] x = Arrays.copyOf(h, n);
        fft.forward(x);
        float[] power = new float[n / 2 + 1];
        fft.power(x, power);
        double[] sum = BANDS.grouping(n, RATE_HZ).sum(power);
        for (int b = 0; b < sum.length; b++) sum[b] /= (BANDS.highHz(b) - BANDS.lowHz(b)) / RATE_HZ * n;
        return sum;
    }
}
