package verisonus.core.evidence.movement;

import java.util.Arrays;
import java.util.OptionalDouble;
import java.util.function.DoublePredicate;
import java.util.stream.IntStream;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.RealFft;
import verisonus.core.sound.Sound;
import verisonus.core.sound.Stft;
import verisonus.core.work.Figures;

/**
 * Where between the sides do late copies lie, moment by moment? Two copies that sway against each other stand in the difference of the
 * sides with opposite signs, so that its whitened correlation with the middle (C. H. Knapp, G. C. Carter, "The generalized correlation
 * method for estimation of time delay", IEEE Trans. ASSP 24, 1976) shows one up and one down, which part and meet once a sway. The playing
 * cancels out of it: short notes tell as much as long ones. Input: stereo. Output: rate in Hz, sway of each copy in ms.
 */
public final class SideDelays {
    private static final int RATE_HZ = 24000;
    private static final int SIZE = 1024;
    private static final int HOP = 720;
    /** Samples to one step of the lags: an eighth of a millisecond. */
    private static final int STEP = 3;
    private static final double STEP_MS = 1000.0 * STEP / RATE_HZ;
    private static final int LAGS = 208;
    private static final double LOWEST_HZ = 150;
    private static final double HIGHEST_HZ = 2600;
    private static final double FLOOR = 1e-4;
    private static final double[] SWAYS_MS = {0.65, 0.9, 1.2, 1.6, 2.1, 2.7, 3.4};
    private static final double NEAREST_MS = 4;
    private static final double FARTHEST_MS = 21;
    private static final int PHASES = 12;
    private static final double SLOWEST_HZ = 0.2;
    private static final double FASTEST_HZ = 4;
    private static final double RATIO = 1.04;
    private static final double APART = 0.14;
    /** Frames in which the guitar sounds: two seconds. */
    private static final int FEWEST = 60;
    private static final int MOST = 1000;
    private static final double STANDS_OUT = 7;
    private static final double HIGH = 0.033;
    private static final double STANDS_ALONE = 10.5;
    private static final double LOW = 0.025;
    private static final double NARROW_MS = 0.7;
    private static final double SURELY = 12;
    private static final double FULL_SWAY_MS = 3;
    private static final double NARROWEST_DB = -32;
    /** Of five that sway between the sides two are missed; of recordings whose sides differ most do not sway. */
    private static final double MOST_ABSENT = 0.75;

    private final float[][] by;
    private final double[] timeS;

    private SideDelays(float[][] by, double[] timeS) {
        this.by = by;
        this.timeS = timeS;
    }

    /**
     * @param hz rate of the sway whose two peaks are highest
     * @param swayMs how far each goes from where they meet
     * @param delayMs where they meet
     * @param score mean height of the two, 0 to 2
     * @param stands how far over what other rates reach, in spreads of those
     */
    record Strongest(double hz, double swayMs, double delayMs, double score, double stands) {}

    static SideDelays of(Sound recording, DoublePredicate asked) {
        Sound s = recording.atRate(RATE_HZ);
        float[] mid = s.mid();
        float[] side = s.side();
        int frames = mid.length < SIZE ? 0 : (mid.length - SIZE) / HOP + 1;
        float[][] out = new float[frames][];
        double[] at = new double[frames];
        double loudest = 0;
        double[] energy = new double[frames];
        for (int t = 0; t < frames; t++) {
            for (int i = 0; i < SIZE; i++) energy[t] += mid[t * HOP + i] * mid[t * HOP + i];
            loudest = Math.max(loudest, energy[t]);
        }
        Correlation correlation = new Correlation();
        int n = 0;
        for (int t = 0; t < frames; t++) {
            double middleS = (t * HOP + SIZE / 2.0) / RATE_HZ;
            if (energy[t] < FLOOR * loudest) continue;
            if (!asked.test(middleS)) continue;
            at[n] = middleS;
            out[n++] = correlation.of(side, mid, t * HOP);
        }
        // A sway shows in half a minute or not at all: of a longer recording the middle is asked.
        int from = Math.max(0, (n - MOST) / 2);
        float[][] rows = Arrays.copyOfRange(out, from, Math.min(n, from + MOST));
        stand(rows);
        return new SideDelays(rows, Arrays.copyOfRange(at, from, Math.min(n, from + MOST)));
    }

    /** Takes off what stands still: a second microphone, a side that is late, the first answers of a room. */
    private static void stand(float[][] rows) {
        for (int l = 0; l < LAGS; l++) {
            double mean = 0;
            for (float[] row : rows) mean += row[l] / rows.length;
            for (float[] row : rows) row[l] -= (float) mean;
        }
    }

    /** Whitened correlation of the side with the middle before it, by lag. */
    private static final class Correlation {
        private final RealFft fft = new RealFft(2 * SIZE);
        private final float[] window = Stft.hann(SIZE);
        private final float[] a = new float[2 * SIZE];
        private final float[] b = new float[2 * SIZE];

        float[] of(float[] side, float[] mid, int from) {
            Arrays.fill(a, 0);
            Arrays.fill(b, 0);
            int early = LAGS * STEP;
            for (int i = 0; i < SIZE; i++) {
                a[i] = side[from + i] * window[i];
                // The middle is wanted from before the frame on: what comes late began earlier.
                b[i] = mid[from + i];
            }
            for (int i = 0; i < early; i++) b[2 * SIZE - early + i] = from - early + i < 0 ? 0 : mid[from - early + i];
            fft.forward(a);
            fft.forward(b);
            int low = (int) (LOWEST_HZ * 2 * SIZE / RATE_HZ);
            int high = (int) (HIGHEST_HZ * 2 * SIZE / RATE_HZ);
            double most = 0;
            for (int k = low; k <= high; k++) most = Math.max(most, power(b, k));
            double sum = 0;
            float[] c = new float[2 * SIZE];
            for (int k = low; k <= high; k++) {
                double weight = 1 / Math.sqrt((power(a, k) + 1e-20) * (power(b, k) + 1e-4 * most));
                // Softly into and out of the band, or every peak would ring.
                weight *= Math.sin(Math.PI * (k - low + 0.5) / (high - low + 1));
                c[2 * k] = (float) (weight * (a[2 * k] * b[2 * k] + a[2 * k + 1] * b[2 * k + 1]));
                c[2 * k + 1] = (float) (weight * (a[2 * k + 1] * b[2 * k] - a[2 * k] * b[2 * k + 1]));
                sum += Math.sin(Math.PI * (k - low + 0.5) / (high - low + 1));
            }
            fft.inverse(c);
            float[] out = new float[LAGS];
            for (int l = 0; l < LAGS; l++) out[l] = (float) (c[l * STEP] * SIZE / sum);
            return out;
        }

        private static double power(float[] x, int k) {
            return x[2 * k] * x[2 * k] + x[2 * k + 1] * x[2 * k + 1];
        }
    }

    Strongest strongest() {
        int rates = 1 + (int) (Math.log(FASTEST_HZ / SLOWEST_HZ) / Math.log(RATIO));
        double[] score = new double[rates];
        double[][] best = new double[rates][0];
        double[] sway = new double[by.length];
        for (int r = 0; r < rates; r++) {
            double hz = SLOWEST_HZ * Math.pow(RATIO, r);
            // Half a turn on, up is down: one sum tells both.
            for (int p = 0; p < PHASES / 2; p++) {
                double phase = 2 * Math.PI * p / PHASES;
                for (int t = 0; t < sway.length; t++) sway[t] = Math.sin(2 * Math.PI * hz * timeS[t] + phase);
                for (double w : SWAYS_MS) {
                    double[] d = bestDelay(sway, w);
                    if (Math.abs(d[1]) > score[r]) {
                        score[r] = Math.abs(d[1]);
                        best[r] = new double[]{hz, d[1] > 0 ? phase : phase + Math.PI, w, d[0]};
                    }
                }
            }
        }
        int top = 0;
        for (int r = 1; r < rates; r++) if (score[r] > score[top]) top = r;
        int highest = top;
        double[] others = IntStream.range(0, rates).filter(r -> Math.abs(Math.pow(RATIO, r - highest) - 1) > APART)
                .mapToDouble(r -> score[r]).sorted().toArray();
        double median = others[others.length / 2];
        double spread = others[(int) (0.84 * (others.length - 1))] - median;
        if (best[top].length == 0) return new Strongest(0, 0, 0, 0, 0);
        double[] b = refined(best[top], score[top]);
        return new Strongest(b[0], b[2], b[3], b[4], (b[4] - median) / (spread + 1e-6));
    }

    /** Delay in ms at which the peaks are largest for a course of the sway, and their height; below zero where up and down are exchanged. */
    private double[] bestDelay(double[] sway, double swayMs) {
        int from = (int) (NEAREST_MS / STEP_MS);
        int to = (int) (FARTHEST_MS / STEP_MS);
        double[] sum = new double[to - from];
        for (int t = 0; t < sway.length; t++) {
            int off = (int) Math.rint(swayMs * sway[t] / STEP_MS);
            float[] row = by[t];
            int up = from + off;
            int down = from - off;
            for (int d = 0; d < sum.length; d++) sum[d] += row[d + up] - row[d + down];
        }
        int best = 0;
        for (int d = 1; d < sum.length; d++) if (Math.abs(sum[d]) > Math.abs(sum[best])) best = d;
        return new double[]{(best + from) * STEP_MS, sum[best] / Math.max(1, sway.length)};
    }

    /** The same more finely: rate, phase and sway in small steps around the best. */
    private double[] refined(double[] start, double score) {
        double[] best = {start[0], start[1], start[2], start[3], score};
        double lengthS = timeS[timeS.length - 1] - timeS[0];
        double middleS = timeS[0] + lengthS / 2;
        double[] sway = new double[by.length];
        for (double hz = start[0] * 0.96; hz <= start[0] * 1.04; hz += Math.min(0.05 / lengthS, 0.01 * start[0])) {
            for (int p = -2; p <= 2; p++) {
                // Turned about the middle of the recording, so that another rate does not turn it away.
                double phase = start[1] + p * Math.PI / 12 - 2 * Math.PI * (hz - start[0]) * middleS;
                for (int t = 0; t < sway.length; t++) sway[t] = Math.sin(2 * Math.PI * hz * timeS[t] + phase);
                for (double w : new double[]{0.88 * start[2], start[2], 1.14 * start[2]}) {
                    double[] d = bestDelay(sway, w);
                    if (d[1] > best[4]) best = new double[]{hz, phase, w, d[0], d[1]};
                }
            }
        }
        return best;
    }

    /**
     * A movement with what the sides say of it: theirs where nothing else was found, else beside it in its reason.
     *
     * @param movement what was found in the middle
     */
    public static Finding<ModulationReading> beside(Finding<ModulationReading> movement, Sound recording) {
        Finding<ModulationReading> sides = find(recording, _ -> true);
        if (sides.isPresent())
            return movement.isPresent() ? movement.because(movement.reason() + "; besides, " + sides.reason()) : sides;
        if (movement.presence() != Presence.ABSENT || isNarrow(recording)) return movement;
        return movement.trusted(Math.min(MOST_ABSENT, movement.confidence()))
                .because(movement.reason() + "; a faint one between the sides neither");
    }

    /**
     * The movement; unknown where none stands out.
     *
     * @param asked whether the guitar is listened to at a time, s
     */
    public static Finding<ModulationReading> find(Sound recording, DoublePredicate asked) {
        if (isNarrow(recording))
            return Finding.unknown("nothing differs between the sides; in one channel a wide movement would not show");
        SideDelays d = of(recording, asked);
        if (d.by.length < FEWEST) return Finding.unknown("too short to see a movement come round");
        Strongest s = d.strongest();
        // A side that is late and stands still shakes a little with the playing: that looks like a narrow sway.
        boolean high = s.stands >= STANDS_OUT && s.score >= HIGH && s.swayMs > NARROW_MS;
        boolean alone = s.stands >= STANDS_ALONE && s.score >= LOW;
        if (!high && !alone)
            return Finding.unknown("the sides differ, but no sway between them stands out");
        return Finding.present(new ModulationReading(ModulationKind.CHORUS, OptionalDouble.of(s.hz),
                OptionalDouble.of(Math.min(100, 100 * s.swayMs / FULL_SWAY_MS))), s.stands > SURELY ? 0.95 : 0.8,
                Figures.of("two copies about %.0f ms late part and meet between the sides %.2f times a second",
                        s.delayMs,
                        s.hz));
    }

    private static boolean isNarrow(Sound s) {
        return sideDb(s) <= NARROWEST_DB;
    }

    /** Level of what differs between the sides against what is common, dB; {@value #NARROWEST_DB} at least. */
    public static double sideDb(Sound s) {
        if (!s.isStereo()) return NARROWEST_DB;
        double side = Sound.mono(s.side(), s.rateHz()).rms();
        double mid = Sound.mono(s.mid(), s.rateHz()).rms();
        return Math.max(NARROWEST_DB, Decibels.fromAmplitude(side / (mid + 1e-12)));
    }
}
