package verisonus.core.evidence.study;

import java.util.Arrays;
import verisonus.core.evidence.signs.HarmonicPart;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Sound;

/**
 * The guitar of a recording, as far as a take of the same phrase tells what is the guitar's by time and band: the recording is explained
 * by the take (clean and through two clippers, each with tails) and by a few free patterns for all else, fitted by multiplicative updates
 * for the Itakura-Saito divergence (score-informed separation: S. Ewert, B. Pardo, M. Müller, M. Plumbley, IEEE Signal Processing
 * Magazine 2014); the guitar's share, and what rings rather than strikes, make a soft mask. Input: both in time with each other, any
 * rate; output at {@value #RATE_HZ} Hz. Silence gives silence. What is masked is never taken out wholly: it would gurgle.
 */
public final class GuidedIsolation {
    static final int RATE_HZ = 22050;
    private static final double[] CLIPPED_DB = {12, 30};
    private static final double[] TAILS_S = {0.25, 1};
    private static final int TAIL_LATE = 2;
    private static final int PATTERNS = 3;
    private static final double PENALTY = 6;
    private static final int ROUNDS = 40;
    private static final int FREE_ROUNDS = 5;
    private static final double LEAST = 0.1;
    private static final double LOW_HZ = 450;
    private static final double LOWEST_HZ = 70;

    private final int frames;
    private final int bins;
    private final float[][] v;
    private final float[][][] takes;
    private final int[] band;
    private final double[][] share;
    private final double[] strength;
    private final double[][] pattern;
    private final double[][] active;

    private GuidedIsolation(float[][] v, float[][][] takes) {
        this.v = v;
        this.takes = takes;
        frames = v.length;
        bins = v[0].length;
        band = new int[bins];
        for (int k = 1; k < bins; k++)
            band[k] = (int) Math.clamp(3 * Math.log((double) k * RATE_HZ / (2.0 * (bins - 1)) / 50) / Math.log(2), 0,
                    26);
        share = new double[takes.length][27];
        for (double[] s : share) Arrays.fill(s, 1.0 / takes.length);
        strength = new double[frames];
        Arrays.fill(strength, 1);
        pattern = new double[PATTERNS][bins];
        active = new double[PATTERNS][frames];
        start();
    }

    /** What is left of a recording when the guitar's share is taken away; the same length, {@value #RATE_HZ} Hz. */
    public static Sound rest(Sound recording, Sound take) {
        Sound r = recording.atRate(RATE_HZ);
        Sound guitar = of(recording, take);
        float[][] out = new float[r.channels().length][];
        for (int c = 0; c < out.length; c++) {
            out[c] = r.channel(c).clone();
            float[] g = guitar.channel(c);
            for (int i = 0; i < Math.min(out[c].length, g.length); i++) out[c][i] -= g[i];
        }
        return new Sound(out, r.rateHz());
    }

    /** What is the guitar's; as many channels as the recording. */
    public static Sound of(Sound recording, Sound take) {
        Sound r = recording.atRate(RATE_HZ);
        float[] d = Arrays.copyOf(take.atRate(RATE_HZ).mid(), r.frames());
        HarmonicPart ring = new HarmonicPart(RATE_HZ);
        float[][] power = ring.powers(r.mid());
        double mean = 1e-20;
        for (float[] row : power) for (float x : row) mean += x / ((double) power.length * row.length);
        if (mean < 1e-18) return r;
        for (float[] row : power) for (int k = 0; k < row.length; k++) row[k] = (float) (row[k] / mean + 1e-7);
        GuidedIsolation g = new GuidedIsolation(power, guides(ring, d));
        for (int round = 0; round < ROUNDS; round++) g.round(round >= FREE_ROUNDS);
        float[][] mask = g.mask();
        float[][] rings = ring.mask(r.mid());
        for (int t = 0; t < mask.length; t++)
            for (int k = 0; k < mask[t].length; k++)
                mask[t][k] = (float) (below(k) * Math.max(LEAST, Math.sqrt(mask[t][k] * rings[t][k])));
        return ring.through(r, mask);
    }

    /** Nothing of a guitar lies under its lowest string. */
    private static double below(int bin) {
        double hz = Math.max(1, bin) * (double) RATE_HZ / 2048;
        return 1 / (1 + Math.pow(LOWEST_HZ / hz, 8));
    }

    /** The take clean, clipped and with tails, each of mean power one. */
    private static float[][][] guides(HarmonicPart ring, float[] take) {
        float[][][] out = new float[1 + CLIPPED_DB.length + TAILS_S.length][][];
        out[0] = widened(ring.powers(take));
        double peak = 1e-9;
        for (float x : take) peak = Math.max(peak, Math.abs(x));
        for (int i = 0; i < CLIPPED_DB.length; i++) {
            float[] x = take.clone();
            new Biquad.Section(Biquad.highPass(100, 0.7071, RATE_HZ)).process(x, 0, x.length);
            double gain = Math.pow(10, CLIPPED_DB[i] / 20) / peak;
            for (int n = 0; n < x.length; n++) x[n] = (float) Math.tanh(gain * x[n]);
            out[1 + i] = widened(ring.powers(x));
        }
        for (int i = 0; i <= CLIPPED_DB.length; i++) normalise(out[i]);
        for (int i = 0; i < TAILS_S.length; i++) {
            out[1 + CLIPPED_DB.length + i] = tail(out, TAILS_S[i], ring.hop());
            normalise(out[1 + CLIPPED_DB.length + i]);
        }
        return out;
    }

    /** The largest of a frame and two bins to either side: another hand is a little early, another guitar a little sharp. */
    private static float[][] widened(float[][] p) {
        float[][] out = new float[p.length][p[0].length];
        for (int t = 0; t < p.length; t++) {
            for (int k = 0; k < p[t].length; k++) {
                float most = 0;
                for (int s = Math.max(0, t - 1); s <= Math.min(p.length - 1, t + 1); s++)
                    for (int j = Math.max(0, k - 2); j <= Math.min(p[t].length - 1, k + 2); j++)
                        most = Math.max(most, p[s][j]);
                out[t][k] = most;
            }
        }
        return out;
    }

    private static float[][] tail(float[][][] of, double decayS, int hop) {
        double keep = Math.pow(10, -6.0 * hop / RATE_HZ / decayS);
        float[][] out = new float[of[0].length][of[0][0].length];
        for (int k = 0; k < out[0].length; k++) {
            double e = 0;
            for (int t = 0; t < out.length; t++) {
                double in = 0;
                if (t >= TAIL_LATE) for (int i = 0; i <= CLIPPED_DB.length; i++) in += of[i][t - TAIL_LATE][k];
                e = keep * e + in;
                out[t][k] = (float) e;
            }
        }
        return out;
    }

    private static void normalise(float[][] p) {
        double mean = 1e-20;
        for (float[] row : p) for (float x : row) mean += x / ((double) p.length * row.length);
        for (float[] row : p) for (int k = 0; k < row.length; k++) row[k] = (float) (row[k] / mean);
    }

    /** One pattern for lows, one for what strikes, one for all else. */
    private void start() {
        double width = RATE_HZ / (2.0 * (bins - 1));
        for (int t = 0; t < frames; t++) {
            boolean rises = t > 1 && sum(v[t]) > 2 * sum(v[t - 2]);
            for (int k = 0; k < bins; k++) {
                if (k * width < LOW_HZ) pattern[0][k] += v[t][k] / frames;
                if (rises) pattern[1][k] += v[t][k] / frames;
                pattern[2][k] += v[t][k] / frames;
            }
            for (double[] a : active) a[t] = 0.3;
        }
        for (double[] p : pattern) for (int k = 0; k < bins; k++) p[k] += 1e-6;
    }

    private static double sum(float[] row) {
        double s = 0;
        for (float x : row) s += x;
        return s;
    }

    private double guitar(int t, int k) {
        double g = 0;
        for (int i = 0; i < takes.length; i++) g += share[i][band[k]] * takes[i][t][k];
        return strength[t] * g;
    }

    private double rest(int t, int k) {
        double w = 0;
        for (int p = 0; p < PATTERNS; p++) w += pattern[p][k] * active[p][t];
        return w;
    }

    private void round(boolean free) {
        double[][] upShare = new double[takes.length][27];
        double[][] downShare = new double[takes.length][27];
        double[] upStrength = new double[frames];
        double[] downStrength = new double[frames];
        double[][] upPattern = new double[PATTERNS][bins];
        double[][] downPattern = new double[PATTERNS][bins];
        double[][] upActive = new double[PATTERNS][frames];
        double[][] downActive = new double[PATTERNS][frames];
        for (int t = 0; t < frames; t++) {
            for (int k = 1; k < bins; k++) {
                double g = guitar(t, k);
                double m = 1 / (g + rest(t, k) + 1e-9);
                double r = v[t][k] * m * m;
                for (int i = 0; i < takes.length; i++) {
                    double x = strength[t] * takes[i][t][k];
                    upShare[i][band[k]] += x * r;
                    downShare[i][band[k]] += x * m;
                }
                upStrength[t] += g * r;
                downStrength[t] += g * m;
                for (int p = 0; p < PATTERNS; p++) {
                    upPattern[p][k] += active[p][t] * r;
                    downPattern[p][k] += active[p][t] * m;
                    upActive[p][t] += pattern[p][k] * r;
                    downActive[p][t] += pattern[p][k] * m;
                }
            }
        }
        for (int i = 0; i < takes.length; i++) step(share[i], upShare[i], downShare[i], 1);
        for (int p = 0; p < PATTERNS; p++) {
            step(pattern[p], upPattern[p], downPattern[p], 1);
            step(active[p], upActive[p], downActive[p], 1 + PENALTY);
        }
        if (free) {
            step(strength, upStrength, downStrength, 1);
            smooth();
        }
    }

    private static void step(double[] value, double[] up, double[] down, double penalty) {
        for (int i = 0; i < value.length; i++) value[i] *= Math.sqrt((up[i] + 1e-12) / (penalty * down[i] + 1e-12));
    }

    private void smooth() {
        double[] s = strength.clone();
        for (int t = 0; t < frames; t++) {
            double before = s[Math.max(0, t - 1)];
            double after = s[Math.min(frames - 1, t + 1)];
            strength[t] = Math.clamp((before + s[t] + after) / 3, 0.3, 3);
        }
    }

    private float[][] mask() {
        float[][] out = new float[frames][bins];
        for (int t = 0; t < frames; t++) {
            for (int k = 0; k < bins; k++) {
                double g = guitar(t, k);
                out[t][k] = (float) (g / (g + rest(t, k) + 1e-12));
            }
        }
        return out;
    }
}
