package verisonus.core.evidence.signs;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;

/**
 * How strongly notes begin, every 10 ms: the rise of the log level, averaged over 24 bands, less its local mean
 * (spectral flux; S. Dixon, "Onset detection revisited", DAFx-06).
 *
 * @param strength one value per hop, 0 or more
 * @param hopS time between values
 * @param firstS time of the first value (the middle of its window)
 */
public record OnsetCurve(double[] strength, double hopS, double firstS) {
    public static OnsetCurve of(Sound sound) {
        Sound s = sound.atRate(22050);
        int hop = 220;
        int size = 1024;
        Stft stft = new Stft(size, hop);
        Bands bands = Bands.sixths(110, 9500);
        float[] x = s.mid();
        float[][] power = stft.power(x);
        Bands.Grouping grouping = bands.grouping(size, s.rateHz());
        double top = 0;
        double[][] level = new double[power.length][];
        for (int t = 0; t < power.length; t++) {
            level[t] = grouping.sum(power[t]);
            for (double v : level[t]) top = Math.max(top, v);
        }
        double floor = top * 1e-6 + 1e-15;
        double[] flux = new double[power.length];
        for (double[] frame : level) for (int b = 0; b < frame.length; b++) frame[b] = Math.log10(frame[b] + floor);
        for (int t = 2; t < flux.length; t++) {
            for (int b = 0; b < level[t].length; b++) flux[t] += Math.max(0, level[t][b] - level[t - 2][b]);
            flux[t] /= level[t].length;
        }
        return new OnsetCurve(lessLocalMean(flux, 25), hop / (double) s.rateHz(), size / 2.0 / s.rateHz());
    }

    private static double[] lessLocalMean(double[] v, int half) {
        double[] mean = RunningMean.of(v, half);
        double[] out = new double[v.length];
        for (int i = 0; i < v.length; i++) out[i] = Math.max(0, v[i] - mean[i]);
        return out;
    }

    /** Times of note beginnings, s: local maxima that stand above a third of the strong ones, 50 ms apart. */
    public double[] onsetsS() {
        double[] sorted = strength.clone();
        Arrays.sort(sorted);
        double strong = sorted.length == 0 ? 0 : sorted[(int) (0.98 * (sorted.length - 1))];
        List<Double> times = new ArrayList<>();
        double last = -1;
        for (int i = 1; i + 1 < strength.length; i++) {
            if (strength[i] < Math.max(0.33 * strong, 0.03) || strength[i] < strength[i - 1]
                    || strength[i] < strength[i + 1])
                continue;
            double time = firstS + i * hopS;
            if (time - last > 0.05) times.add(time);
            last = time;
        }
        return times.stream().mapToDouble(Double::doubleValue).toArray();
    }
}
