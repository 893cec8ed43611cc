package verisonus.core.capture.passes;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.IntFunction;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/**
 * What came back of a {@link SendThrough}, cut into its passes: laid by its markers (latency, drift of the two clocks), turned where the
 * cable turns it, and brought to the level at which the bypassed pass is what was sent.
 *
 * @param passes each as long as a pass of what was sent and laid on it, at the working rate; the bypassed one first
 * @param latencyS how much later than in the file the first pass stands, s
 * @param driftPpm by how much the recorder's clock runs faster, millionths
 * @param gainDb what the way there and back does to the level, dB
 * @param turned whether it turns the polarity
 */
public record SentBack(List<float[]> passes, double latencyS, double driftPpm, double gainDb, boolean turned) {
    private static final int RATE_HZ = Sound.WORKING_RATE_HZ;
    private static final double LATEST_S = 60;
    /** A pass stands this near where the first and the file say, s; two clocks run apart by less. */
    private static final double NEAR_S = 0.06;
    /** Correlation with the marker from which on it is one: the bypassed pass, and through a device that bends it. */
    private static final double BARE = 0.6;
    private static final double BENT = 0.25;
    /** A bypassed pass is what was sent to this coherence; a soft overdrive stays under it. */
    private static final double SAME = 0.9;
    /** Two recorded clocks of standing differ by less, millionths. */
    private static final double MOST_DRIFT_PPM = 400;
    private static final double FULL = 0.999;
    private static final int CLIPPED_SAMPLES = 20;
    private static final double LEAST_OVER_NOISE_DB = 30;
    private static final double SILENT_DB = -60;

    public SentBack {
        passes = List.copyOf(passes);
    }

    /**
     * @param file named in faults
     * @param words what the controls did in a pass, named in faults
     * @throws InputFault in words: no marker, a pass that is missing, silent or clipped, a first pass that is not bypassed, too much noise
     */
    public static SentBack of(String file, Sound back, SendThrough sent, IntFunction<String> words) {
        float[] x = back.atRate(RATE_HZ).mid();
        float[] marker = SendThrough.marker();
        BurstPlace first = BurstPlace.earliest(x, marker, 0, sent.passAt(0) + (int) (LATEST_S * RATE_HZ));
        if (first.likeness() < BARE)
            throw new InputFault(file, "it does not begin with a bypassed pass of what was sent",
                    "record from before the file begins, with the device bypassed in the first pass");
        double faster = clock(x, marker, sent, first.at());
        List<float[]> cut = new ArrayList<>();
        for (int p = 0; p < sent.passes(); p++) {
            double begin = first.exactly() + (sent.passAt(p) - sent.passAt(0)) * (1 + faster);
            int at = (int) Math.round(begin);
            if (at + sent.noiseTo() > x.length || at + sent.pluckedTo() > x.length)
                throw new InputFault(file, Figures.of("it ends in pass %d of %d (%s)", p + 1, sent.passes(), words
                        .apply(p)), "record to the end, or plan fewer passes");
            cut.add(read(x, begin, 1 + faster, sent.passFrames()));
            if (clipped(cut.getLast()))
                throw new InputFault(file, Figures.of("pass %d (%s) clips", p + 1, words.apply(p)),
                        "turn the recording down, not the device, and play it again");
        }
        return levelled(file, cut, sent, words, first.at() - sent.passAt(0), 1e6 * faster);
    }

    /** Samples from a place between two on, so many to one: cubic through four neighbours (Catmull and Rom). */
    private static float[] read(float[] x, double from, double by, int n) {
        float[] out = new float[n];
        for (int i = 0; i < n; i++) {
            double at = from + i * by;
            int k = (int) Math.floor(at);
            double t = at - k;
            double a = sample(x, k - 1);
            double b = sample(x, k);
            double c = sample(x, k + 1);
            double d = sample(x, k + 2);
            out[i] = (float) (b + 0.5 * t * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a))));
        }
        return out;
    }

    private static double sample(float[] x, int i) {
        return i < 0 || i >= x.length ? 0 : x[i];
    }

    private static double energy(float[] x, int from, int n) {
        double sum = 0;
        for (int i = from; i < from + n; i++) sum += (double) x[i] * x[i];
        return sum;
    }

    /** How much faster the recorder's clock is: the median slope over all pairs of markers (Theil and Sen), so that a late one does no harm. */
    private static double clock(float[] x, float[] marker, SendThrough sent, int first) {
        List<double[]> seen = new ArrayList<>();
        seen.add(new double[]{0, 0});
        for (int p = 1; p < sent.passes(); p++) {
            int after = sent.passAt(p) - sent.passAt(0);
            int at = first + after;
            BurstPlace f = BurstPlace.nearest(x, marker, at - (int) (NEAR_S * RATE_HZ),
                    at + (int) (NEAR_S * RATE_HZ) + marker.length);
            if (f.likeness() >= BENT) seen.add(new double[]{after, f.exactly() - at});
        }
        List<Double> slopes = new ArrayList<>();
        for (int i = 0; i < seen.size(); i++)
            for (int j = i + 1; j < seen.size(); j++)
                slopes.add((seen.get(j)[1] - seen.get(i)[1]) / (seen.get(j)[0] - seen.get(i)[0]));
        if (slopes.isEmpty()) return 0;
        slopes.sort(null);
        double slope = slopes.get(slopes.size() / 2);
        return Math.abs(slope) * 1e6 > MOST_DRIFT_PPM ? 0 : slope;
    }

    private static boolean clipped(float[] pass) {
        int full = 0;
        for (float v : pass) if (Math.abs(v) >= FULL) full++;
        return full > CLIPPED_SAMPLES;
    }

    private static SentBack levelled(String file, List<float[]> cut, SendThrough sent, IntFunction<String> words,
            int late, double driftPpm) {
        float[] pure = sent.pass();
        float[] bare = cut.getFirst();
        int from = sent.pluckedFrom();
        int n = sent.pluckedTo() - from;
        double cross = 0;
        for (int i = from; i < from + n; i++) cross += (double) pure[i] * bare[i];
        double own = energy(pure, from, n);
        double there = energy(bare, from, n);
        if (cross * cross < SAME * own * there)
            throw new InputFault(file, "its first pass is not what was sent: the device was on, or something else too",
                    "bypass the device in the first pass, and everything beside it");
        int rest = (int) (0.1 * RATE_HZ);
        double noise = energy(bare, from - rest, rest) / rest;
        double overDb = 10 * Math.log10(there / n / Math.max(noise, 1e-12));
        if (overDb < LEAST_OVER_NOISE_DB)
            throw new InputFault(file, Figures.of("noise or hum stands only %.0f dB under what was sent", overDb),
                    "send louder, or find the hum: another cable, another socket");
        // By energy: what is a fraction of a sample off would read as quieter.
        double gain = Math.copySign(Math.sqrt(there / own), cross);
        for (int p = 1; p < cut.size(); p++) {
            double db = 10 * Math.log10(energy(cut.get(p), from, n) / Math.max(there, 1e-12) + 1e-12);
            if (db < SILENT_DB)
                throw new InputFault(file, Figures.of("pass %d (%s) is silent", p + 1, words.apply(p)),
                        "look whether the device was on and not turned down");
        }
        for (float[] pass : cut) for (int i = 0; i < pass.length; i++) pass[i] /= (float) gain;
        return new SentBack(cut, late / (double) RATE_HZ, driftPpm, 20 * Math.log10(Math.abs(gain)), gain < 0);
    }
}
