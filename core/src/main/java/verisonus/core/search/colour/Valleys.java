package verisonus.core.search.colour;

import java.util.Arrays;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Stft;

/**
 * How full the gaps between partials are: in third octaves from 200 Hz to 6.3 kHz the mean of the lowest 30 % of bins against all bins,
 * dB, over frames within 25 dB of that band's loudest. A clipper fills the gaps with intermodulation, whoever plays and on what (octave
 * contrast of D.-N. Jiang et al., ICME 2002, turned to dirt). Input: mono at the working rate, 0.5 s or more; silence gives the limit.
 *
 * @param meanDb over all bands
 */
public record Valleys(double meanDb) {
    private static final Bands BANDS = Bands.thirds(200, 6300);
    private static final int SIZE = 8192;
    private static final int HOP = 4096;
    private static final double LOWEST = 0.3;
    private static final double LIMIT_DB = -45;
    private static final double LOUD_DB = 25;

    public static Valleys of(float[] x, int rateHz) {
        Stft stft = new Stft(SIZE, HOP);
        float[][] power = stft.power(x);
        double[] centres = BANDS.centresHz();
        double sum = 0;
        int bands = 0;
        for (double hz : centres) {
            int from = (int) Math.ceil(hz * Math.pow(2, -1.0 / 6) * SIZE / rateHz);
            int to = Math.max(from + 4, (int) (hz * Math.pow(2, 1.0 / 6) * SIZE / rateHz) + 1);
            double v = valley(power, from, to);
            if (Double.isNaN(v)) continue;
            sum += v;
            bands++;
        }
        return new Valleys(bands == 0 ? LIMIT_DB : sum / bands);
    }

    private static double valley(float[][] power, int from, int to) {
        double[] level = new double[power.length];
        double[] value = new double[power.length];
        double top = 1e-20;
        for (int t = 0; t < power.length; t++) {
            float[] bins = Arrays.copyOfRange(power[t], from, to);
            Arrays.sort(bins);
            double all = 0;
            for (float b : bins) all += b;
            int n = Math.max(1, (int) (LOWEST * bins.length));
            double low = 0;
            for (int i = 0; i < n; i++) low += bins[i];
            level[t] = all / bins.length;
            top = Math.max(top, level[t]);
            value[t] = Math.max(LIMIT_DB, 10 * Math.log10((low / n + 1e-22) / (level[t] + 1e-20)));
        }
        double sum = 0;
        int frames = 0;
        for (int t = 0; t < value.length; t++) {
            if (level[t] < top * Math.pow(10, -LOUD_DB / 10)) continue;
            sum += value[t];
            frames++;
        }
        return frames == 0 ? Double.NaN : sum / frames;
    }
}
