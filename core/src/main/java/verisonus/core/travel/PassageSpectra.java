package verisonus.core.travel;

import java.util.Arrays;
import java.util.stream.DoubleStream;
import verisonus.core.sound.Bands;
import verisonus.core.sound.LoudnessWeighting;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;

/**
 * A recording by third octaves and moments of 85 ms: power of both channels on average, and of their sum, so that every
 * playback system can be worked out from it without playing it there. Powers are in no absolute unit; ratios count.
 */
public final class PassageSpectra {
    /** 25 Hz to 12.5 kHz. */
    public static final Bands BANDS = Bands.thirds(25, 12500);
    private static final int SIZE = 8192;
    /** From moment to moment at the working rate. */
    public static final double FRAME_S = SIZE / 2.0 / Sound.WORKING_RATE_HZ;
    /** A band this far under the strongest adds nothing to the tone. */
    private static final double EMPTY_DB = -38;
    private static final double GATE_DB = -50;

    private final float[][] both;
    private final float[][] mid;

    private PassageSpectra(float[][] both, float[][] mid) {
        this.both = both;
        this.mid = mid;
    }

    public static PassageSpectra of(Sound sound) {
        float[][] mid = frames(sound.mid(), sound.rateHz());
        if (!sound.isStereo()) return new PassageSpectra(mid, mid);
        float[][] left = frames(sound.channel(0), sound.rateHz());
        float[][] right = frames(sound.channel(1), sound.rateHz());
        float[][] both = new float[mid.length][BANDS.count()];
        for (int t = 0; t < mid.length; t++) {
            for (int b = 0; b < both[t].length; b++) both[t][b] = (left[t][b] + right[t][b]) / 2;
        }
        return new PassageSpectra(both, mid);
    }

    private static float[][] frames(float[] x, int rateHz) {
        float[] padded = x.length < SIZE ? Arrays.copyOf(x, SIZE) : x;
        Stft stft = new Stft(SIZE, SIZE / 2);
        Bands.Grouping grouping = BANDS.grouping(SIZE, rateHz);
        float[] buffer = new float[SIZE];
        float[] power = new float[SIZE / 2 + 1];
        float[][] out = new float[stft.frames(padded.length)][BANDS.count()];
        for (int t = 0; t < out.length; t++) {
            stft.frame(padded, t, buffer, power);
            double[] sum = grouping.sum(power);
            for (int b = 0; b < sum.length; b++) out[t][b] = (float) sum[b];
        }
        return out;
    }

    /** Moment by moment on one loudspeaker or two; shared, not to be written to. */
    public float[][] on(int loudspeakers) {
        return loudspeakers == 1 ? mid : both;
    }

    /** On average, on one loudspeaker or two. */
    public double[] power(int loudspeakers) {
        return mean(on(loudspeakers));
    }

    static double[] mean(float[][] frames) {
        double[] out = new double[BANDS.count()];
        for (float[] f : frames) for (int b = 0; b < out.length; b++) out[b] += f[b] / (double) frames.length;
        return out;
    }

    /** Power as it counts for loudness. */
    public static double weighted(double[] power) {
        double[] hz = BANDS.centresHz();
        double sum = 1e-30;
        for (int b = 0; b < hz.length; b++) sum += LoudnessWeighting.powerAt(hz[b]) * power[b];
        return sum;
    }

    /** How far loud and soft moments lie apart, dB: 95th against 25th percentile of what is not silence. */
    static double spreadDb(double[] levelsDb) {
        double top = Arrays.stream(levelsDb).max().orElse(0);
        double[] kept = DoubleStream.of(levelsDb).filter(l -> l > top + GATE_DB).sorted().toArray();
        if (kept.length < 4) return 0;
        return kept[(int) (0.95 * (kept.length - 1))] - kept[(int) (0.25 * (kept.length - 1))];
    }

    /** Power of a named band. */
    public static double bandPower(NamedBand n, double[] power) {
        double[] hz = BANDS.centresHz();
        double in = 0;
        for (int b = 0; b < hz.length; b++) if (n.holds(hz[b])) in += power[b];
        return in;
    }

    /** Whether a tone has next to nothing in a band. */
    public static boolean isEmpty(NamedBand n, double[] power) {
        double top = Arrays.stream(power).max().orElse(0);
        return bandPower(n, power) < (top + 1e-20) * Math.pow(10, EMPTY_DB / 10);
    }
}
