package verisonus.core.sound;

import java.util.Arrays;

/**
 * Fractional-octave bands, base ten (IEC 61260-1): centre 1000·10^(i/10) for thirds, 1000·10^(i/20) for sixths. Sums
 * power spectra into bands, sharing a bin between bands where an edge cuts it.
 */
public final class Bands {
    private final double[] centresHz;
    private final double halfLog;

    private Bands(double[] centresHz, double halfLog) {
        this.centresHz = centresHz;
        this.halfLog = halfLog;
    }

    /** Third octaves whose nominal centre lies in a range. */
    public static Bands thirds(double fromHz, double toHz) {
        return of(10, fromHz, toHz);
    }

    /** Sixth octaves whose centre lies in a range. */
    public static Bands sixths(double fromHz, double toHz) {
        return of(20, fromHz, toHz);
    }

    private static Bands of(int perDecade, double fromHz, double toHz) {
        // Nominal centres (80, 160, 1600 Hz …) stand up to 1 % beside the exact ones.
        double tolerance = 0.006;
        int first = (int) Math.ceil(perDecade * (Math.log10(fromHz / 1000) - tolerance));
        int last = (int) Math.floor(perDecade * (Math.log10(toHz / 1000) + tolerance));
        double[] c = new double[last - first + 1];
        for (int i = 0; i < c.length; i++) c[i] = 1000 * Math.pow(10, (first + i) / (double) perDecade);
        return new Bands(c, 0.5 / perDecade);
    }

    public int count() {
        return centresHz.length;
    }

    public double[] centresHz() {
        return centresHz.clone();
    }

    public double lowHz(int band) {
        return centresHz[band] * Math.pow(10, -halfLog);
    }

    public double highHz(int band) {
        return centresHz[band] * Math.pow(10, halfLog);
    }

    /** Index of the band whose centre is nearest on a logarithmic scale. */
    public int nearest(double hz) {
        int best = 0;
        for (int b = 1; b < centresHz.length; b++) {
            if (Math.abs(Math.log(centresHz[b] / hz)) < Math.abs(Math.log(centresHz[best] / hz))) best = b;
        }
        return best;
    }

    /** Weights that sum one frame of spectra of this size and rate into the bands. */
    public Grouping grouping(int fftSize, double rateHz) {
        return new Grouping(fftSize, rateHz);
    }

    /** Long-term power by band: Welch's method with a window near 0.37 s, half overlap. Zeros below one window. */
    public double[] longTermPower(float[] x, int rateHz) {
        int size = RealFft.sizeFor((int) (0.19 * rateHz)) * 2;
        float[] padded = x.length < size ? Arrays.copyOf(x, size) : x;
        Stft stft = new Stft(size, size / 2);
        Grouping grouping = grouping(size, rateHz);
        double[] sum = new double[count()];
        float[] buffer = new float[size];
        float[] power = new float[size / 2 + 1];
        int frames = stft.frames(padded.length);
        for (int t = 0; t < frames; t++) {
            stft.frame(padded, t, buffer, power);
            grouping.addTo(power, sum);
        }
        for (int b = 0; b < sum.length; b++) sum[b] /= frames;
        return sum;
    }

    /** Levels of powers, dB, not below a floor under the strongest. */
    public static double[] levelsDb(double[] power, double rangeDb) {
        double top = Arrays.stream(power).max().orElse(0);
        double floor = Math.max(1e-20, top * Decibels.toPower(-rangeDb));
        return Arrays.stream(power).map(p -> 10 * Math.log10(Math.max(p, floor))).toArray();
    }

    /** Which bins, and what share of the first and last, belong to each band. */
    public final class Grouping {
        private final int[] first = new int[count()];
        private final float[][] weights = new float[count()][];

        private Grouping(int fftSize, double rateHz) {
            double width = rateHz / fftSize;
            for (int b = 0; b < weights.length; b++) {
                double lo = lowHz(b) / width;
                double hi = Math.min(highHz(b) / width, fftSize / 2.0 + 0.5);
                first[b] = Math.max(0, (int) Math.round(lo));
                int last = Math.min(fftSize / 2, (int) Math.round(hi));
                weights[b] = new float[Math.max(0, last - first[b] + 1)];
                for (int i = 0; i < weights[b].length; i++) {
                    double bin = first[b] + i;
                    weights[b][i] = (float) Math.max(0, Math.min(hi, bin + 0.5) - Math.max(lo, bin - 0.5));
                }
            }
        }

        /** Adds the band powers of one spectrum (bins 0 to n/2). */
        public void addTo(float[] power, double[] sum) {
            for (int b = 0; b < weights.length; b++) {
                double s = 0;
                float[] w = weights[b];
                int f = first[b];
                for (int i = 0; i < w.length; i++) s += w[i] * power[f + i];
                sum[b] += s;
            }
        }

        /** Band powers of one spectrum. */
        public double[] sum(float[] power) {
            double[] out = new double[count()];
            addTo(power, out);
            return out;
        }
    }
}
