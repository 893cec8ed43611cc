package verisonus.core.trial.open;

import java.util.SplittableRandom;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;

/**
 * A plain bed of bass and drums to hear a guitar in where there is no band: kick on one and three, snare on two and four, closed hat on
 * the eighths, and a bass on the eighths that plays the lowest note of each of the guitar's bars.
 *
 * @param bpm quarters a minute
 * @param firstBeatS when the first bar begins
 */
public record Bed(double bpm, double firstBeatS) {
    private static final int RATE_HZ = Sound.WORKING_RATE_HZ;
    private static final int BEATS = 4;
    private static final double SLOWEST_BPM = 30;
    private static final double FASTEST_BPM = 300;
    /** Bass notes lie between these. */
    private static final double LOWEST_HZ = 38;
    private static final double OCTAVE = 2;
    /** A bar that repeats less than this holds no note that a bass could follow. */
    private static final double PERIODIC = 0.25;
    private static final double NEARLY = 0.9;
    /** Bass and drums together against the guitar, as {@code travel} has it. */
    private static final double OVER_GUITAR_LU = 3;

    public Bed {
        if (!(bpm >= SLOWEST_BPM && bpm <= FASTEST_BPM))
            throw new InputFault("the tempo " + bpm, "it is not 30 to 300 BPM", "type or tap the tempo of the song");
    }

    /** Bed under a guitar, as long as it, two channels, {@value #OVER_GUITAR_LU} LU over it. */
    public Sound under(Sound guitar) {
        float[] g = guitar.atRate(RATE_HZ).mid();
        double bar = BEATS * 60 / bpm;
        float[] bass = new float[g.length];
        float[] drums = new float[g.length];
        SplittableRandom noise = new SplittableRandom(1);
        double first = firstBeatS - bar * Math.ceil(firstBeatS / bar);
        double root = 2 * LOWEST_HZ;
        for (int n = 0; first + n * bar < g.length / (double) RATE_HZ; n++) {
            double at = first + n * bar;
            root = lowestHz(g, at, at + bar, root);
            for (int eighth = 0; eighth < 2 * BEATS; eighth++) {
                double t = at + eighth * bar / (2 * BEATS);
                bassNote(bass, t, bar / (2 * BEATS), root);
                hat(drums, t, noise);
                if (eighth % 8 == 0 || eighth % 8 == 4 || eighth % 8 == 5) kick(drums, t);
                if (eighth % 4 == 2) snare(drums, t, noise);
            }
        }
        float[][] out = new float[2][g.length];
        for (int i = 0; i < g.length; i++) {
            out[0][i] = bass[i] + drums[i];
            out[1][i] = out[0][i];
        }
        Sound bed = new Sound(out, RATE_HZ);
        double own = LoudnessMeter.integratedLufs(guitar.atRate(RATE_HZ)).orElse(-23);
        double is = LoudnessMeter.integratedLufs(bed).orElse(own);
        return bed.gained(own + OVER_GUITAR_LU - is);
    }

    /** The strongest low periodicity of a bar, brought into the bass's octave; the bar before's where there is none. */
    private static double lowestHz(float[] g, double fromS, double toS, double before) {
        int step = 8;
        int from = (int) Math.clamp(Math.round(fromS * RATE_HZ), 0, g.length);
        int n = (int) (Math.clamp(Math.round(toS * RATE_HZ), from, g.length) - from) / step;
        double rate = RATE_HZ / (double) step;
        if (n < rate / 4) return before;
        Biquad.Section low = new Biquad.Section(Biquad.lowPass(700, 0.707, RATE_HZ));
        double[] x = new double[n];
        double energy = 1e-12;
        for (int i = 0; i < n * step; i++) {
            double y = low.next(g[from + i]);
            if (i % step == 0) x[i / step] = y;
        }
        for (double v : x) energy += v * v;
        int longest = (int) (rate / LOWEST_HZ / 2 * 2);
        int shortest = (int) (rate / 350);
        double[] r = new double[Math.min(longest, n / 2) + 2];
        double best = 0;
        for (int lag = shortest - 1; lag < r.length; lag++) {
            for (int i = lag; i < n; i++) r[lag] += x[i] * x[i - lag];
            r[lag] /= energy;
            if (lag >= shortest) best = Math.max(best, r[lag]);
        }
        if (best < PERIODIC) return before;
        int at = shortest;
        // The first of several that repeat as well.
        while (at + 2 < r.length && !(r[at] > NEARLY * best && r[at] >= r[at - 1] && r[at] >= r[at + 1])) at++;
        double curve = r[at - 1] - 2 * r[at] + r[at + 1];
        double between = curve < 0 ? 0.5 * (r[at - 1] - r[at + 1]) / curve : 0;
        double hz = rate / (at + Math.clamp(between, -0.5, 0.5));
        while (hz > OCTAVE * LOWEST_HZ) hz /= OCTAVE;
        while (hz < LOWEST_HZ) hz *= OCTAVE;
        // To the nearest note of equal temperament.
        return 440 * Math.pow(2, Math.rint(12 * Math.log(hz / 440) / Math.log(2)) / 12);
    }

    private static void bassNote(float[] out, double atS, double lengthS, double hz) {
        int from = (int) Math.round(atS * RATE_HZ);
        int n = (int) (lengthS * 0.92 * RATE_HZ);
        for (int i = 0; i < n; i++) {
            double t = i / (double) RATE_HZ;
            double v = 0;
            for (int h = 1; h <= 10; h++)
                v += Math.sin(2 * Math.PI * h * hz * t) / h * Math.exp(-t * (1.5 + 0.9 * h));
            add(out, from + i, 0.5 * v * Math.min(1, t / 0.004) * Math.min(1, (n - i) / (0.01 * RATE_HZ)));
        }
    }

    private static void kick(float[] out, double atS) {
        int from = (int) Math.round(atS * RATE_HZ);
        double phase = 0;
        for (int i = 0; i < 0.25 * RATE_HZ; i++) {
            double t = i / (double) RATE_HZ;
            phase += 2 * Math.PI * (52 + 110 * Math.exp(-t / 0.018)) / RATE_HZ;
            add(out, from + i, 1.1 * Math.sin(phase) * Math.exp(-t / 0.09) * Math.min(1, t / 0.001));
        }
    }

    private static void snare(float[] out, double atS, SplittableRandom noise) {
        int from = (int) Math.round(atS * RATE_HZ);
        Biquad.Section high = new Biquad.Section(Biquad.highPass(900, 0.707, RATE_HZ));
        for (int i = 0; i < 0.2 * RATE_HZ; i++) {
            double t = i / (double) RATE_HZ;
            double v = 0.35 * high.next(noise.nextDouble(-1, 1)) * Math.exp(-t / 0.055)
                    + 0.35 * Math.sin(2 * Math.PI * 190 * t) * Math.exp(-t / 0.04);
            add(out, from + i, v * Math.min(1, t / 0.0005));
        }
    }

    private static void hat(float[] out, double atS, SplittableRandom noise) {
        int from = (int) Math.round(atS * RATE_HZ);
        Biquad.Section high = new Biquad.Section(Biquad.highPass(7000, 0.9, RATE_HZ));
        for (int i = 0; i < 0.06 * RATE_HZ; i++) {
            double t = i / (double) RATE_HZ;
            add(out, from + i, 0.16 * high.next(noise.nextDouble(-1, 1)) * Math.exp(-t / 0.015));
        }
    }

    private static void add(float[] out, int at, double v) {
        if (at >= 0 && at < out.length) out[at] += (float) v;
    }
}
