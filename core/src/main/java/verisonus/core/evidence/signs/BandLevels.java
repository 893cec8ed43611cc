package verisonus.core.evidence.signs;

import java.util.Arrays;
import verisonus.core.sound.Stft;

/**
 * Levels of fifteen third octaves from 160 Hz to 4 kHz every 10 ms.
 *
 * @param db level by hop and band
 * @param whole level of all bands together by hop
 */
public record BandLevels(double[][] db, double[] whole) {
    public static final int RATE_HZ = 22050;
    public static final int HOP = 220;
    public static final double HOP_S = (double) HOP / RATE_HZ;
    public static final int BANDS = 15;
    private static final int SIZE = 1024;
    private static final double LOWEST_HZ = 158.5;
    private static final double SOFT_DB = 35;
    private static final double RISE_DB_S = 250;

    /** @param x mono at {@value #RATE_HZ} Hz */
    public static BandLevels of(float[] x) {
        Stft stft = new Stft(SIZE, HOP);
        double[][] db = new double[stft.frames(x.length)][BANDS];
        double[] whole = new double[db.length];
        float[] buffer = new float[SIZE];
        float[] power = new float[SIZE / 2 + 1];
        double width = (double) RATE_HZ / SIZE;
        for (int t = 0; t < db.length; t++) {
            stft.frame(x, t, buffer, power);
            double all = 1e-12;
            for (int b = 0; b < BANDS; b++) {
                double low = LOWEST_HZ * Math.pow(10, (b - 0.5) / 10) / width;
                double high = LOWEST_HZ * Math.pow(10, (b + 0.5) / 10) / width;
                double sum = 1e-12;
                // Bins at the edges count by the share that lies inside.
                for (int k = (int) Math.floor(low); k <= (int) high; k++) {
                    sum += power[k] * Math.max(0, Math.min(high, k + 1) - Math.max(low, k));
                }
                db[t][b] = 10 * Math.log10(sum);
                all += sum;
            }
            whole[t] = 10 * Math.log10(all);
        }
        return new BandLevels(db, whole);
    }

    /** Where nothing can be read of a movement: it is soft, a note begins, or the recording does. */
    public boolean[] gaps(int aroundRise) {
        boolean[] gap = new boolean[whole.length];
        double top = Arrays.stream(whole).max().orElse(0);
        for (int t = 0; t < gap.length; t++) {
            if (t == 0 || t == gap.length - 1 || whole[t] < top - SOFT_DB) {
                gap[t] = true;
            } else if ((whole[t + 1] - whole[t - 1]) / (2 * HOP_S) > RISE_DB_S) {
                Arrays.fill(gap, Math.max(0, t - aroundRise), Math.min(gap.length, t + aroundRise + 1), true);
            }
        }
        return gap;
    }

    /** Share of a sway of this rate that window and slope let through. */
    public static double passed(double rateHz) {
        double re = 0;
        double im = 0;
        double all = 0;
        for (int i = 0; i < SIZE; i++) {
            double hann = 0.5 - 0.5 * Math.cos(2 * Math.PI * i / SIZE);
            double a = 2 * Math.PI * rateHz * (i - SIZE / 2.0) / RATE_HZ;
            re += hann * hann * Math.cos(a);
            im += hann * hann * Math.sin(a);
            all += hann * hann;
        }
        double step = 2 * Math.PI * rateHz * HOP_S;
        return Math.hypot(re, im) / all * Math.sin(step) / step;
    }

    /** Slope of each band, dB a second, held within ±150. */
    public double[][] slopes() {
        double[][] out = new double[db.length][BANDS];
        for (int t = 1; t + 1 < db.length; t++) {
            for (int b = 0; b < BANDS; b++) {
                out[t][b] = Math.clamp((db[t + 1][b] - db[t - 1][b]) / (2 * HOP_S), -150, 150);
            }
        }
        return out;
    }
}
