package verisonus.core.search.aligned;

import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;

/**
 * How far what a tone makes of a take is from a record of the same phrase: mean difference of log spectrograms at two resolutions,
 * 70 Hz to 8.5 kHz, the record laid under the take's time once, and the colour that an equalizer could mend taken out. Of sixty settings
 * it picks the one that is nearest to the true tone on this take to within 0.02 dB on average; fine colour, envelope and dirt together miss
 * it by 0.37 (twenty replays on other guitars, see {@code docs/decisions/034-aligned-spectra.md}).
 */
public final class AlignedSpectra {
    private static final int[] SIZES = {1024, 4096};
    private static final int WIDEST = 4096;
    private static final double LOWEST_HZ = 70;
    private static final double HIGHEST_HZ = 8500;
    /** Under the loudest bin of all, amplitude: what is softer is not heard beside it. */
    private static final double DEPTH = Math.pow(10, -70 / 20.0);
    /** Every second frame of the path is compared: a note is longer than two. */
    private static final int EVERY = 2;
    /** An equalizer's curve is smooth over a third of an octave. */
    private static final double HALF_BAND = Math.pow(2, 1 / 6.0);
    private static final double DB = 20 / Math.log(10);

    private final int hop;
    private final int frames;
    private final Resolution[] resolutions;
    private final double[] colour;

    /**
     * The record at one resolution.
     *
     * @param log natural logarithm of amplitude and floor, by compared frame and bin
     */
    private record Resolution(int size, int from, int to, double floor, float[][] log) {}

    private AlignedSpectra(int hop, int frames, Resolution[] resolutions, double[] colour) {
        this.hop = hop;
        this.frames = frames;
        this.resolutions = resolutions;
        this.colour = colour;
    }

    /**
     * Lays a record under a take.
     *
     * @param record one channel, with nothing but the guitar in it
     * @param take dry, of the same phrase, laid in time with it to about a tenth of a second
     */
    public static AlignedSpectra of(float[] record, float[] take) {
        int rate = Sound.WORKING_RATE_HZ;
        int[] path = TimePath.of(record, take, rate).recordFrame();
        int hop = (int) Math.round(TimePath.HOP_S * rate);
        int frames = (path.length + EVERY - 1) / EVERY;
        Resolution[] out = new Resolution[SIZES.length];
        double[] colour = new double[0];
        for (int i = 0; i < SIZES.length; i++) {
            float[][] power = new Stft(SIZES[i], hop).power(record);
            out[i] = resolution(SIZES[i], power, path, frames, rate);
            if (SIZES[i] == WIDEST) colour = smooth(mean(power, power.length));
        }
        return new AlignedSpectra(hop, frames, out, colour);
    }

    private static Resolution resolution(int size, float[][] power, int[] path, int frames, int rate) {
        int from = (int) Math.ceil(LOWEST_HZ * size / rate);
        int to = (int) (HIGHEST_HZ * size / rate);
        double top = 0;
        for (float[] p : power) for (int k = from; k < to; k++) top = Math.max(top, p[k]);
        double floor = Math.sqrt(top) * DEPTH + 1e-12;
        float[][] log = new float[frames][to - from];
        for (int t = 0; t < frames && power.length > 0; t++) {
            float[] p = power[Math.min(path[t * EVERY], power.length - 1)];
            for (int k = from; k < to; k++) log[t][k - from] = (float) Math.log(Math.sqrt(p[k]) + floor);
        }
        return new Resolution(size, from, to, floor, log);
    }

    /** Mean absolute difference, dB. @param played what a tone made of the take, one channel, beginning with it */
    public double distanceDb(float[] played) {
        float[][][] power = new float[SIZES.length][][];
        double[] gain = new double[0];
        for (int i = 0; i < SIZES.length; i++) {
            power[i] = new Stft(SIZES[i], hop * EVERY).power(played);
            if (SIZES[i] == WIDEST) gain = gain(power[i]);
        }
        double sum = 0;
        for (int i = 0; i < SIZES.length; i++) sum += distanceDb(resolutions[i], power[i], gain) / SIZES.length;
        return sum;
    }

    /** By amplitude and bin of the widest resolution: what an equalizer would do. */
    private double[] gain(float[][] power) {
        double[] own = smooth(mean(power, power.length));
        double[] out = new double[own.length];
        for (int k = 0; k < out.length; k++) out[k] = Math.sqrt(colour[k] / own[k]);
        return out;
    }

    private double distanceDb(Resolution r, float[][] power, double[] gain) {
        int n = Math.min(frames, power.length);
        int widens = WIDEST / r.size;
        double sum = 0;
        for (int t = 0; t < n; t++) {
            float[] row = power[t];
            float[] log = r.log[t];
            for (int k = r.from; k < r.to; k++)
                sum += Math.abs(Math.log(Math.sqrt(row[k]) * gain[k * widens] + r.floor) - log[k - r.from]);
        }
        return DB * sum / Math.max(1, (long) n * (r.to - r.from));
    }

    private static double[] mean(float[][] power, int frames) {
        double[] out = new double[WIDEST / 2 + 1];
        for (float[] p : power) for (int k = 0; k < out.length; k++) out[k] += p[k] / (double) frames;
        return out;
    }

    private static double[] smooth(double[] power) {
        double[] upTo = new double[power.length + 1];
        for (int k = 0; k < power.length; k++) upTo[k + 1] = upTo[k] + power[k];
        double[] out = new double[power.length];
        for (int k = 0; k < out.length; k++) {
            int from = (int) Math.round(k / HALF_BAND);
            int to = Math.min(power.length, (int) Math.round(k * HALF_BAND) + 1);
            out[k] = (upTo[to] - upTo[from]) / (to - from) + 1e-20;
        }
        return out;
    }
}
