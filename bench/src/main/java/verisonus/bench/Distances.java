package verisonus.bench;

import java.util.Arrays;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;

/**
 * How far a sound is from another, loudness matched.
 *
 * @param ltasDb RMS difference of third-octave levels, 100 Hz to 8 kHz
 * @param envelopeDb RMS difference of each third octave's level by frame, its own mean taken off; same phrase only
 * @param percentilesDb RMS difference of the quantiles of those levels; any playing
 * @param crestDb difference of crest factors
 */
public record Distances(double ltasDb, double envelopeDb, double percentilesDb, double crestDb) {
    private static final int SIZE = 2048;
    private static final double FLOOR = 3e-4;
    private static final double[] QUANTILES = {0.1, 0.3, 0.5, 0.7, 0.9, 0.97};

    /** Both mono at 48 kHz. */
    static Distances between(float[] reference, float[] candidate) {
        Bands thirds = Bands.thirds(100, 8000);
        int n = Math.min(reference.length, candidate.length);
        double[][] a = byFrame(thirds, reference);
        double[][] b = byFrame(thirds, candidate);
        return new Distances(colour(thirds, reference, candidate), envelope(a, b), percentiles(a, b),
                crest(Arrays.copyOf(candidate, n)) - crest(Arrays.copyOf(reference, n)));
    }

    /** Mean difference of log spectrograms at four resolutions, 70 Hz to 8.5 kHz, loudness matched, dB; same performance only. */
    public static double spectrogramDb(Sound wanted, Sound candidate) {
        double gain = LoudnessMeter.integratedLufs(wanted).orElse(0)
                - LoudnessMeter.integratedLufs(candidate).orElse(0);
        float[] a = wanted.mid();
        float[] b = Arrays.copyOf(candidate.gained(gain).mid(), a.length);
        double sum = 0;
        for (int size : new int[]{512, 1024, 2048, 4096}) sum += spectrogramDb(a, b, size) / 4;
        return sum;
    }

    private static double spectrogramDb(float[] a, float[] b, int size) {
        Stft stft = new Stft(size, size / 4);
        float[][] p = stft.power(a);
        float[][] q = stft.power(b);
        int from = (int) Math.ceil(70.0 * size / Effects.RATE_HZ);
        int to = 8500 * size / Effects.RATE_HZ;
        double top = 0;
        for (float[] row : p) for (int k = from; k < to; k++) top = Math.max(top, row[k]);
        double floor = Math.sqrt(top) * Math.pow(10, -70 / 20.0);
        double sum = 0;
        long n = 0;
        for (int t = 0; t < p.length; t++) {
            for (int k = from; k < to; k++, n++)
                sum += Math.abs(20 * Math.log10((Math.sqrt(p[t][k]) + floor) / (Math.sqrt(q[t][k]) + floor)));
        }
        return sum / Math.max(1, n);
    }

    private static double colour(Bands thirds, float[] reference, float[] candidate) {
        double[] a = Bands.levelsDb(thirds.longTermPower(reference, Effects.RATE_HZ), 80);
        double[] b = Bands.levelsDb(thirds.longTermPower(candidate, Effects.RATE_HZ), 80);
        double mean = 0;
        for (int i = 0; i < a.length; i++) mean += (b[i] - a[i]) / a.length;
        double sum = 0;
        for (int i = 0; i < a.length; i++) sum += Math.pow(b[i] - a[i] - mean, 2) / a.length;
        return Math.sqrt(sum);
    }

    /** Level over the band's own mean, dB, shape frames × bands. */
    private static double[][] byFrame(Bands bands, float[] x) {
        Stft stft = new Stft(SIZE, SIZE / 2);
        Bands.Grouping grouping = bands.grouping(SIZE, Effects.RATE_HZ);
        float[][] power = stft.power(x);
        double[][] out = new double[power.length][];
        double[] mean = new double[bands.count()];
        for (int t = 0; t < out.length; t++) {
            out[t] = grouping.sum(power[t]);
            for (int k = 0; k < mean.length; k++) mean[k] += out[t][k] / out.length;
        }
        for (double[] row : out)
            for (int k = 0; k < mean.length; k++) row[k] = 10 * Math.log10(row[k] / (mean[k] + 1e-20) + FLOOR);
        return out;
    }

    private static double envelope(double[][] a, double[][] b) {
        double sum = 0;
        int n = 0;
        for (int t = 0; t < Math.min(a.length, b.length); t++) {
            for (int k = 0; k < a[t].length; k++, n++) sum += Math.pow(a[t][k] - b[t][k], 2);
        }
        return Math.sqrt(sum / Math.max(1, n));
    }

    private static double percentiles(double[][] a, double[][] b) {
        double sum = 0;
        int bands = a[0].length;
        for (int k = 0; k < bands; k++) {
            double[] p = sorted(a, k);
            double[] q = sorted(b, k);
            for (double at : QUANTILES)
                sum += Math.pow(p[(int) (at * (p.length - 1))] - q[(int) (at * (q.length - 1))], 2);
        }
        return Math.sqrt(sum / bands / QUANTILES.length);
    }

    private static double[] sorted(double[][] rows, int band) {
        return Arrays.stream(rows).mapToDouble(r -> r[band]).sorted().toArray();
    }

    private static double crest(float[] x) {
        double peak = 1e-9;
        for (float v : x) peak = Math.max(peak, Math.abs(v));
        return Decibels.fromPower(peak * peak * x.length / Effects.energy(x));
    }
}
