package verisonus.core.search.colour;

import java.util.Arrays;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Stft;

/**
 * What the search compares. The long-term level by sixth octave shows colour; the envelope of each third octave over
 * its own mean does not see anything linear and steady, so it shows drive, gain and compression alone.
 *
 * @param levelDb long-term level by sixth octave, dB
 * @param envelopeDb by frame and third octave: 10·log10(P/mean P + 3e-4)
 * @param percentilesDb by third octave: quantiles 0.1, 0.3, 0.5, 0.7, 0.9, 0.97 of that envelope
 * @param tiltDb by sixth octave: spectrum of the loud third of frames less that of the soft third
 */
public record Features(double[] levelDb, float[][] envelopeDb, double[][] percentilesDb, double[] tiltDb) {
    public static final Bands LEVEL_BANDS = Bands.sixths(72, 9800);
    public static final Bands ENVELOPE_BANDS = Bands.thirds(100, 8000);
    private static final double[] QUANTILES = {0.1, 0.3, 0.5, 0.7, 0.9, 0.97};
    private static final int SIZE = 2048;
    private static final int HOP = 1024;
    private static final double FLOOR = 3e-4;

    /** Features from a sample on (what stands before only warms up). */
    public static Features of(float[] x, int from, int rateHz) {
        float[] scored = from == 0 ? x : Arrays.copyOfRange(x, from, x.length);
        Stft stft = new Stft(SIZE, HOP);
        Bands.Grouping sixths = LEVEL_BANDS.grouping(SIZE, rateHz);
        Bands.Grouping thirds = ENVELOPE_BANDS.grouping(SIZE, rateHz);
        int frames = stft.frames(scored.length);
        double[][] level = new double[frames][LEVEL_BANDS.count()];
        double[][] band = new double[frames][ENVELOPE_BANDS.count()];
        double[] loudness = new double[frames];
        float[] buffer = new float[SIZE];
        float[] power = new float[SIZE / 2 + 1];
        for (int t = 0; t < frames; t++) {
            stft.frame(scored, t, buffer, power);
            sixths.addTo(power, level[t]);
            thirds.addTo(power, band[t]);
            for (double v : level[t]) loudness[t] += v;
        }
        float[][] envelope = envelope(band);
        return new Features(db(meanOf(level)), envelope, percentiles(envelope), tilt(level, loudness));
    }

    /** How far level and decay of each band are from another sound's over time, dB RMS; of the same phrase. */
    public double motionDistance(Features other) {
        double sum = 0;
        int n = 0;
        for (int t = 0; t < Math.min(envelopeDb.length, other.envelopeDb.length); t++) {
            for (int k = 0; k < envelopeDb[t].length; k++, n++)
                sum += Math.pow(envelopeDb[t][k] - other.envelopeDb[t][k], 2);
        }
        return Math.sqrt(sum / Math.max(1, n));
    }

    private static double[] meanOf(double[][] rows) {
        double[] out = new double[rows.length == 0 ? LEVEL_BANDS.count() : rows[0].length];
        for (double[] r : rows) for (int b = 0; b < out.length; b++) out[b] += r[b] / rows.length;
        return out;
    }

    private static double[] db(double[] power) {
        return Bands.levelsDb(power, 80);
    }

    private static float[][] envelope(double[][] band) {
        double[] mean = new double[ENVELOPE_BANDS.count()];
        for (double[] r : band) for (int b = 0; b < mean.length; b++) mean[b] += r[b] / band.length;
        float[][] out = new float[band.length][mean.length];
        for (int t = 0; t < band.length; t++) {
            for (int b = 0; b < mean.length; b++)
                out[t][b] = (float) (10 * Math.log10(band[t][b] / (mean[b] + 1e-20) + FLOOR));
        }
        return out;
    }

    private static double[][] percentiles(float[][] envelope) {
        double[][] out = new double[ENVELOPE_BANDS.count()][QUANTILES.length];
        float[] column = new float[envelope.length];
        for (int b = 0; b < out.length; b++) {
            for (int t = 0; t < column.length; t++) column[t] = envelope[t][b];
            Arrays.sort(column);
            for (int q = 0; q < QUANTILES.length && column.length > 0; q++)
                out[b][q] = column[(int) (QUANTILES[q] * (column.length - 1))];
        }
        return out;
    }

    private static double[] tilt(double[][] level, double[] loudness) {
        double[] sorted = loudness.clone();
        Arrays.sort(sorted);
        int n = sorted.length;
        if (n < 6) return new double[LEVEL_BANDS.count()];
        double[] soft = new double[LEVEL_BANDS.count()];
        double[] loud = new double[LEVEL_BANDS.count()];
        for (int t = 0; t < n; t++) {
            double[] into = loudness[t] >= sorted[2 * n / 3]
                    ? loud
                    : loudness[t] <= sorted[n / 3] && loudness[t] > 1e-4 * sorted[n - 1] ? soft : null;
            if (into != null) for (int b = 0; b < into.length; b++) into[b] += level[t][b];
        }
        double[] a = db(loud);
        double[] b = db(soft);
        double mean = 0;
        for (int i = 0; i < a.length; i++) {
            a[i] -= b[i];
            mean += a[i] / a.length;
        }
        for (int i = 0; i < a.length; i++) a[i] -= mean;
        return a;
    }
}
