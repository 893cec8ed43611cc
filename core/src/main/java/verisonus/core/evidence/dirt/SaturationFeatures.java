package verisonus.core.evidence.dirt;

import java.util.Arrays;
import java.util.stream.DoubleStream;
import verisonus.core.evidence.signs.Signs;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.LevelCurve;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;

/**
 * What a clipper leaves in a sound: flatter peaks, narrower levels, a raised floor between partials, softened attacks. None
 * of them compares two performances alone; {@link SaturationEstimator} combines them.
 */
public final class SaturationFeatures {
    /** Sounds of another rate are brought to this one first. */
    public static final int RATE_HZ = 22050;
    private static final int FRAME = 1024;
    private static final int SPECTRUM = 8192;
    /** Frames further under the loudest say nothing about a clipper. */
    private static final double RANGE_DB = 35;

    private SaturationFeatures() {}

    /** Mono mid, 2 s or more that are not silent. */
    public static Signs<SaturationSign> of(Sound sound) {
        float[] x = sound.atRate(RATE_HZ).mid();
        float[] low = x.clone();
        new Biquad.Section(Biquad.lowPass(1000, 0.7071, RATE_HZ)).process(low, 0, low.length);
        double[] fine = LevelCurve.of(x, RATE_HZ / 100, RATE_HZ / 100);
        double[] frames = LevelCurve.of(x, FRAME, FRAME / 2);
        double top = Arrays.stream(frames).max().orElse(0);
        double[] crest = new double[frames.length];
        double[] kurtosis = new double[frames.length];
        double[] lowKurtosis = new double[frames.length];
        double[] skew = new double[frames.length];
        int n = 0;
        for (int t = 0; t < frames.length; t++) {
            if (frames[t] < top - RANGE_DB) continue;
            int at = t * FRAME / 2;
            crest[n] = crestDb(x, at, at + FRAME);
            kurtosis[n] = moment(x, at, at + FRAME, 4);
            lowKurtosis[n] = moment(low, at, at + FRAME, 4);
            skew[n++] = Math.abs(moment(x, at, at + FRAME, 3));
        }
        double[] sorted = loud(fine);
        double[] c = sortedPart(crest, n);
        int loudFrames = n;
        return Signs.of(SaturationSign.class, sign -> switch (sign) {
            case CREST -> crestDb(x, 0, x.length);
            case FRAME_CREST -> q(c, 0.5);
            case FRAME_CREST_LOW -> q(c, 0.2);
            case KURTOSIS -> q(sortedPart(kurtosis, loudFrames), 0.5);
            case LOW_KURTOSIS -> q(sortedPart(lowKurtosis, loudFrames), 0.5);
            case SKEW -> q(sortedPart(skew, loudFrames), 0.5);
            case LEVEL_99_TO_80 -> q(sorted, 0.99) - q(sorted, 0.8);
            case LEVEL_98_TO_60 -> q(sorted, 0.98) - q(sorted, 0.6);
            case LEVEL_99_TO_50 -> q(sorted, 0.99) - q(sorted, 0.5);
            case LEVEL_90_TO_30 -> q(sorted, 0.9) - q(sorted, 0.3);
            case FLOOR -> floorDb(x);
            case WHOLE_KURTOSIS -> moment(x, 0, x.length, 4);
            case OVERSHOOT -> overshootDb(fine);
            case FALL -> fallDb(fine);
        });
    }

    /** Signs of a recording with how they differ from those of its dry take, as the weights of both take them. */
    public static double[] against(Signs<SaturationSign> recording, Signs<SaturationSign> take) {
        return DoubleStream.concat(Arrays.stream(recording.values()), Arrays.stream(recording.less(take).values()))
                .toArray();
    }

    private static double[] loud(double[] levels) {
        double top = Arrays.stream(levels).max().orElse(0);
        return Arrays.stream(levels).filter(l -> l > top - 50).sorted().toArray();
    }

    private static double[] sortedPart(double[] v, int n) {
        double[] out = Arrays.copyOf(v, n);
        Arrays.sort(out);
        return out;
    }

    private static double q(double[] sorted, double share) {
        return sorted.length == 0 ? 0 : sorted[(int) Math.round(share * (sorted.length - 1))];
    }

    /** 99.95 % quantile of the absolute value against RMS: a single stray peak does not count. */
    private static double crestDb(float[] x, int from, int to) {
        float[] a = new float[to - from];
        double sum = 1e-20;
        for (int i = from; i < to; i++) {
            a[i - from] = Math.abs(x[i]);
            sum += (double) x[i] * x[i];
        }
        Arrays.sort(a);
        return Decibels.fromAmplitude(a[(int) (0.9995 * (a.length - 1))] / Math.sqrt(sum / a.length));
    }

    /** Standardised central moment. */
    private static double moment(float[] x, int from, int to, int order) {
        double mean = 0;
        for (int i = from; i < to; i++) mean += x[i];
        mean /= to - from;
        double square = 1e-20;
        double sum = 0;
        for (int i = from; i < to; i++) {
            double d = x[i] - mean;
            square += d * d;
            sum += order == 3 ? d * d * d : d * d * d * d;
        }
        int n = to - from;
        return sum / n / Math.pow(square / n, order / 2.0);
    }

    /** How far the quiet bins stand under the strong ones, median over loud frames, 100 Hz to 4 kHz. */
    private static double floorDb(float[] x) {
        Stft stft = new Stft(SPECTRUM, SPECTRUM / 2);
        int frames = stft.frames(x.length);
        double[] floors = new double[frames];
        float[] buffer = new float[SPECTRUM];
        float[] power = new float[SPECTRUM / 2 + 1];
        int from = (int) (100.0 * SPECTRUM / RATE_HZ);
        int to = (int) (4000.0 * SPECTRUM / RATE_HZ);
        double top = 1e-20;
        double[] energy = new double[frames];
        for (int t = 0; t < frames; t++) {
            stft.frame(x, t, buffer, power);
            float[] band = Arrays.copyOfRange(power, from, to);
            for (float v : band) energy[t] += v;
            Arrays.sort(band);
            floors[t] = 10 * Math.log10((band[band.length / 4] + 1e-14) / (band[(int) (0.95 * band.length)] + 1e-14));
            top = Math.max(top, energy[t]);
        }
        double limit = top * 1e-3;
        double[] kept = new double[frames];
        int n = 0;
        for (int t = 0; t < frames; t++) if (energy[t] > limit) kept[n++] = floors[t];
        return q(sortedPart(kept, n), 0.5);
    }

    /** How far a note's beginning stands over what follows 60 to 120 ms later, median over rises of 6 dB or more. */
    private static double overshootDb(double[] fine) {
        double[] found = new double[fine.length];
        int n = 0;
        for (int t = 3; t + 12 < fine.length; t++) {
            boolean rise = fine[t] - fine[t - 3] > 6 && fine[t] >= fine[t - 1];
            if (!rise) continue;
            double peak = Math.max(fine[t], Math.max(fine[t + 1], fine[t + 2]));
            double later = 0;
            for (int k = 6; k < 12; k++) later += fine[t + k] / 6;
            found[n++] = Math.clamp(peak - later, -10, 30);
            t += 8;
        }
        return q(sortedPart(found, n), 0.5);
    }

    /** Median fall of the level over 50 ms where it falls. */
    private static double fallDb(double[] fine) {
        double[] found = new double[fine.length];
        double top = Arrays.stream(fine).max().orElse(0);
        int n = 0;
        for (int t = 0; t + 5 < fine.length; t++) {
            double d = fine[t] - fine[t + 5];
            if (fine[t] > top - RANGE_DB && d > 0) found[n++] = Math.min(d, 20);
        }
        return q(sortedPart(found, n), 0.5);
    }
}
