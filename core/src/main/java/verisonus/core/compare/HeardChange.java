package verisonus.core.compare;

import verisonus.core.sound.Bands;
import verisonus.core.sound.LoudnessWeighting;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;

/**
 * How audible is the change between two sounds of the very same playing? Loudness, colour and course are told apart: what one gain
 * explains, what a curve on the long-term spectrum explains besides, and what moves from moment to moment, tails and gaps included.
 *
 * @param loudnessDb of the second against the first, weighted as it counts for loudness
 * @param colourDb RMS difference of third octaves, 80 Hz to 10 kHz, loudness taken out
 * @param courseDb RMS difference of the octaves' levels from moment to moment, loudness taken out, down to 40 dB under the loudest
 */
public record HeardChange(double loudnessDb, double colourDb, double courseDb) {
    /** As the search weighs them: a change of 1 dB of colour or of 1.5 dB of course is just heard. */
    private static final double COLOUR_JND_DB = 1;
    private static final double COURSE_JND_DB = 1.5;
    private static final double LOUDNESS_JND_DB = 1;
    private static final double DEPTH_DB = 40;
    private static final Bands THIRDS = Bands.thirds(80, 10000);
    private static final int SIZE = 4096;
    private static final int OCTAVE = 3;

    /** A sound by third octaves and moments of 43 ms at 48 kHz. */
    public static final class Moments {
        private final float[][] power;

        private Moments(float[][] power) {
            this.power = power;
        }

        public static Moments of(Sound sound) {
            float[][] out = new float[0][];
            for (float[] channel : sound.channels()) {
                float[] x = channel.length < SIZE ? java.util.Arrays.copyOf(channel, SIZE) : channel;
                Stft stft = new Stft(SIZE, SIZE / 2);
                Bands.Grouping grouping = THIRDS.grouping(SIZE, sound.rateHz());
                float[] buffer = new float[SIZE];
                float[] line = new float[SIZE / 2 + 1];
                if (out.length == 0) out = new float[stft.frames(x.length)][THIRDS.count()];
                for (int t = 0; t < out.length; t++) {
                    stft.frame(x, t, buffer, line);
                    double[] sum = grouping.sum(line);
                    for (int b = 0; b < sum.length; b++) out[t][b] += (float) (sum[b] / sound.channels().length);
                }
            }
            return new Moments(out);
        }

        private double[] mean() {
            double[] out = new double[THIRDS.count()];
            for (float[] f : power) for (int b = 0; b < out.length; b++) out[b] += f[b] / (double) power.length;
            return out;
        }
    }

    /** The second against the first; both begin at the same time. */
    public static HeardChange between(Moments first, Moments second) {
        double[] a = first.mean();
        double[] b = second.mean();
        double loudness = 10 * Math.log10(weighted(b) / weighted(a));
        double gain = Math.pow(10, -loudness / 10);
        double top = 0;
        for (double v : a) top = Math.max(top, v);
        double floor = top * Math.pow(10, -DEPTH_DB / 10) + 1e-20;
        double colour = 0;
        for (int i = 0; i < a.length; i++) colour += squared(10 * Math.log10((b[i] * gain + floor) / (a[i] + floor)));
        return new HeardChange(loudness, Math.sqrt(colour / a.length), course(first, second, gain));
    }

    private static double course(Moments first, Moments second, double gain) {
        int octaves = THIRDS.count() / OCTAVE;
        int frames = Math.min(first.power.length, second.power.length);
        double top = 0;
        for (float[] f : first.power) for (int o = 0; o < octaves; o++) top = Math.max(top, octave(f, o));
        double floor = top * Math.pow(10, -DEPTH_DB / 10) + 1e-20;
        double sum = 0;
        for (int t = 0; t < frames; t++) {
            for (int o = 0; o < octaves; o++)
                sum += squared(10 * Math.log10((octave(second.power[t], o) * gain + floor)
                        / (octave(first.power[t], o) + floor)));
        }
        return frames == 0 ? 0 : Math.sqrt(sum / frames / octaves);
    }

    private static double octave(float[] thirds, int octave) {
        double sum = 0;
        for (int b = octave * OCTAVE; b < (octave + 1) * OCTAVE; b++) sum += thirds[b];
        return sum;
    }

    private static double weighted(double[] power) {
        double[] hz = THIRDS.centresHz();
        double sum = 1e-30;
        for (int b = 0; b < hz.length; b++) sum += LoudnessWeighting.powerAt(hz[b]) * power[b];
        return sum;
    }

    private static double squared(double v) {
        return v * v;
    }

    /** Colour and course together, in just-noticeable differences; loudness stays out. */
    public double jnd() {
        return Math.hypot(colourDb / COLOUR_JND_DB, courseDb / COURSE_JND_DB);
    }

    /** With the loudness as it comes. */
    public double withLoudnessJnd() {
        return Math.hypot(jnd(), loudnessDb / LOUDNESS_JND_DB);
    }
}
