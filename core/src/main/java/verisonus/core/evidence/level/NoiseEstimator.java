package verisonus.core.evidence.level;

import java.util.Arrays;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;

/**
 * How strong is the noise under the playing? Each bin's low quantile over time is noise, since notes leave a bin now
 * and then (minimum statistics; R. Martin, "Noise power spectral density estimation based on optimal smoothing and
 * minimum statistics", IEEE Trans. SAP 2001); where strings ring on, the lower neighbours speak. Never above the
 * quietest tenth of a second. Input: mono mid, 0.2 s or more; under that, the RMS.
 */
public final class NoiseEstimator {
    private static final int SIZE = 4096;
    private static final double QUANTILE = 0.10;
    private static final int NEIGHBOURS = 24;

    private NoiseEstimator() {}

    public static NoiseReading estimate(Sound sound) {
        float[] x = sound.mid();
        Stft stft = new Stft(SIZE, SIZE / 2);
        if (stft.frames(x.length) < 4)
            return new NoiseReading(Decibels.fromAmplitude(sound.rms()), new float[SIZE / 2 + 1], SIZE);
        float[][] power = stft.power(x);
        float[] quantile = lowQuantiles(power);
        // Of an exponentially distributed power the 10 % quantile is 0.105 of the mean.
        float unbias = (float) (1 / -Math.log(1 - QUANTILE));
        float[] noise = new float[quantile.length];
        for (int k = 0; k < noise.length; k++) {
            int from = Math.max(1, k - NEIGHBOURS);
            int to = Math.min(quantile.length, k + NEIGHBOURS + 1);
            float[] near = Arrays.copyOfRange(quantile, from, to);
            Arrays.sort(near);
            // Across neighbours of pure noise the lower third lies 0.6 dB under the mean.
            noise[k] = unbias * 1.15f * near[near.length / 3];
        }
        double sum = 0;
        for (float v : noise) sum += v;
        // Hann window: white noise of variance v reads 0.75·v summed over the bins.
        double level = Decibels.fromPower(sum / 0.75);
        return new NoiseReading(Math.min(level, quietest(x, sound.rateHz())), noise, SIZE);
    }

    private static float[] lowQuantiles(float[][] power) {
        float[] out = new float[power[0].length];
        float[] column = new float[power.length];
        for (int k = 0; k < out.length; k++) {
            for (int t = 0; t < column.length; t++) column[t] = power[t][k];
            Arrays.sort(column);
            out[k] = column[(int) (QUANTILE * (column.length - 1))];
        }
        return out;
    }

    private static double quietest(float[] x, int rateHz) {
        int n = rateHz / 10;
        double least = Double.MAX_VALUE;
        for (int at = 0; at + n <= x.length; at += n / 2) {
            double sum = 0;
            for (int i = at; i < at + n; i++) sum += (double) x[i] * x[i];
            least = Math.min(least, sum / n);
        }
        return Decibels.fromPower(least);
    }
}
