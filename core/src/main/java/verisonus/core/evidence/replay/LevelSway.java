package verisonus.core.evidence.replay;

import java.util.Arrays;
import java.util.OptionalDouble;
import verisonus.core.evidence.movement.ModulationKind;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.work.Figures;

/**
 * Does the level sway at a steady rate, in all bands together (tremolo) or lows against highs (harmonic tremolo)? What the fit leaves is
 * followed by band, the usual course of a note taken off, and a sine sought that goes on through all notes; chance is judged by
 * {@link SignedNotes}. Output: rate in Hz, depth in percent of the gain.
 */
final class LevelSway {
    private static final double[] EDGES_HZ = {90, 250, 450, 800, 1300, 2000, 3000, 4500};
    private static final int BANDS = EDGES_HZ.length - 1;
    private static final double SLOWEST_HZ = 1.5;
    private static final double FASTEST_HZ = 12;
    private static final double STEP_HZ = 0.05;
    private static final int RATES = (int) Math.round((FASTEST_HZ - SLOWEST_HZ) / STEP_HZ) + 1;
    private static final double MOST = 2.5;
    private static final double NOTE_MEAN = 0.7;
    private static final int COURSE_FRAMES = 150;
    private static final int DRAWS = 60;
    private static final double Z = 5.5;
    /** Of a few long notes chance reaches far: then the sway must explain most of what is left. */
    private static final double MOSTLY = 0.4;
    private static final double FAR_OVER_CHANCE = 1.3;
    private static final double MUCH = 0.25;
    private static final double BEYOND_CHANCE = 1.6;
    private static final double TOGETHER = 0.5;
    private static final double SURE_Z = 8;
    private static final double OVER_CHANCE = 1.25;
    private static final double LEAST_SHARE = 0.12;
    private static final double BEAT_NEAR = 0.025;
    private static final double[] BEAT_RATIOS = {0.5, 1, 1.5, 2, 3, 4};

    private final DirectFit fit;
    private final double[][] residual = new double[BANDS][];
    private final double[] total = new double[BANDS];
    private final int notes;

    LevelSway(DirectFit fit) {
        this.fit = fit;
        notes = fit.starts.length + 1;
        for (int b = 0; b < BANDS; b++) residual[b] = residual(b);
        for (int b = 0; b < BANDS; b++)
            for (double v : residual[b]) if (!Double.isNaN(v)) total[b] += v * v;
    }

    private static int band(int k) {
        double hz = Channels.CENTRE_HZ[k];
        for (int b = 0; b < BANDS; b++) if (hz >= EDGES_HZ[b] && hz < EDGES_HZ[b + 1]) return b;
        return -1;
    }

    /** Which note a frame belongs to; 0 before the first. */
    int note(int t) {
        return fit.noteOf[t] + 1;
    }

    int notes() {
        return notes;
    }

    int frames() {
        return fit.frames;
    }

    int bands() {
        return BANDS;
    }

    /** What the fit leaves in a band, frame by frame, natural log of power; not a number where it says nothing. */
    double[] left(int band) {
        return residual[band];
    }

    private double[] residual(int band) {
        double[] y = new double[fit.frames];
        for (int t = 0; t < fit.frames; t++) {
            double sum = 0;
            int n = 0;
            for (int k = 0; k < Channels.COUNT && fit.asked[t]; k++) {
                if (band(k) != band) continue;
                boolean loud = fit.model[k][t] > 8 * fit.floor[k];
                double direct = fit.share[Channels.BAND[k]][DirectFit.DIRECT] * fit.direct[k][t];
                if (!loud || direct < 0.3 * fit.model[k][t]) continue;
                sum += Math.clamp(Math.log(fit.recording[k][t] / fit.model[k][t]), -MOST, MOST)
                        + fit.strength(fit.noteOf[t], DirectFit.broad(k));
                n++;
            }
            y[t] = n == 0 ? Double.NaN : sum / n;
        }
        lessCourse(y);
        lessNoteMeans(y);
        return y;
    }

    /** The mean course of all notes since their beginning, smoothed over 50 ms, is the instrument's. */
    private void lessCourse(double[] y) {
        double[] sum = new double[COURSE_FRAMES];
        int[] count = new int[COURSE_FRAMES];
        for (int t = 0; t < y.length; t++) {
            if (Double.isNaN(y[t]) || fit.noteOf[t] < 0) continue;
            int s = Math.min(COURSE_FRAMES - 1, fit.since[t]);
            sum[s] += y[t];
            count[s]++;
        }
        double[] course = new double[COURSE_FRAMES];
        for (int s = 0; s < COURSE_FRAMES; s++) {
            double v = 0;
            int n = 0;
            for (int d = Math.max(0, s - 2); d <= Math.min(COURSE_FRAMES - 1, s + 2); d++) {
                v += sum[d];
                n += count[d];
            }
            course[s] = n == 0 ? 0 : v / n;
        }
        for (int t = 0; t < y.length; t++)
            if (!Double.isNaN(y[t]) && fit.noteOf[t] >= 0) y[t] -= course[Math.min(COURSE_FRAMES - 1, fit.since[t])];
    }

    private void lessNoteMeans(double[] y) {
        double[] sum = new double[notes];
        int[] count = new int[notes];
        for (int t = 0; t < y.length; t++) {
            if (Double.isNaN(y[t])) continue;
            sum[note(t)] += y[t];
            count[note(t)]++;
        }
        for (int t = 0; t < y.length; t++)
            if (!Double.isNaN(y[t])) y[t] -= NOTE_MEAN * sum[note(t)] / Math.max(1, count[note(t)]);
    }

    /** Products of a band's residual with a sine at one rate, note by note, and the sine's own energy. */
    private record Fitted(double[] cos, double[] sin, double cc, double ss, double cs) {
        double explained(double[] signs) {
            double c = 0;
            double s = 0;
            for (int n = 0; n < cos.length; n++) {
                c += signs[n] * cos[n];
                s += signs[n] * sin[n];
            }
            double det = cc * ss - cs * cs;
            return det < 1e-9 ? 0 : (ss * c * c - 2 * cs * c * s + cc * s * s) / det;
        }

        /** Amplitudes of cosine and sine. */
        double[] amplitudes() {
            double c = Arrays.stream(cos).sum();
            double s = Arrays.stream(sin).sum();
            double det = cc * ss - cs * cs;
            return det < 1e-9 ? new double[2] : new double[]{(ss * c - cs * s) / det, (cc * s - cs * c) / det};
        }
    }

    private Fitted fitted(int band, double hz) {
        double[] y = residual[band];
        double[] c = new double[y.length];
        double[] s = new double[y.length];
        Arrays.fill(c, Double.NaN);
        for (int t = 0; t < y.length; t++) {
            if (Double.isNaN(y[t])) continue;
            double phase = 2 * Math.PI * hz * t / Channels.FRAMES_A_SECOND;
            c[t] = Math.cos(phase);
            s[t] = Math.sin(phase);
        }
        double[] sMasked = s.clone();
        for (int t = 0; t < y.length; t++) if (Double.isNaN(y[t])) sMasked[t] = Double.NaN;
        lessNoteMeans(c);
        lessNoteMeans(sMasked);
        double[] cos = new double[notes];
        double[] sin = new double[notes];
        double cc = 0;
        double ss = 0;
        double cs = 0;
        for (int t = 0; t < y.length; t++) {
            if (Double.isNaN(y[t])) continue;
            cos[note(t)] += y[t] * c[t];
            sin[note(t)] += y[t] * sMasked[t];
            cc += c[t] * c[t];
            ss += sMasked[t] * sMasked[t];
            cs += c[t] * sMasked[t];
        }
        return new Fitted(cos, sin, cc, ss, cs);
    }

    /**
     * The strongest sway.
     *
     * @param together cosine of the angle between lows and highs: 1 together, −1 against each other
     * @param amplitude of its first harmonic in the log of power, mean over bands
     */
    record Strongest(double rateHz, SignedNotes.Standing standing, double together, double amplitude,
            double coherence) {
        boolean isOverChance(double factor) {
            return standing.statistic() > factor * standing.high();
        }
    }

    Strongest strongest() {
        Fitted[][] all = new Fitted[RATES][BANDS];
        for (int r = 0; r < RATES; r++)
            for (int b = 0; b < BANDS; b++) all[r][b] = fitted(b, SLOWEST_HZ + r * STEP_HZ);
        double sum = Math.max(1e-9, Arrays.stream(total).sum());
        double[] plain = new double[notes];
        Arrays.fill(plain, 1);
        int best = 0;
        double most = -1;
        for (int r = 0; r < RATES; r++) {
            double v = explained(all[r], plain) / sum;
            if (v > most) {
                most = v;
                best = r;
            }
        }
        SignedNotes chance = new SignedNotes(notes, DRAWS);
        double[] drawn = new double[DRAWS];
        for (int d = 0; d < DRAWS; d++)
            for (Fitted[] rate : all) drawn[d] = Math.max(drawn[d], explained(rate, chance.draw(d)) / sum);
        return strongest(SLOWEST_HZ + best * STEP_HZ, all[best], SignedNotes.Standing.of(most, drawn));
    }

    private static double explained(Fitted[] bands, double[] signs) {
        double sum = 0;
        for (Fitted f : bands) sum += f.explained(signs);
        return sum;
    }

    private Strongest strongest(double hz, Fitted[] bands, SignedNotes.Standing standing) {
        double[][] a = new double[BANDS][];
        double size = 0;
        double[] whole = new double[2];
        for (int b = 0; b < BANDS; b++) {
            a[b] = bands[b].amplitudes();
            size += Math.hypot(a[b][0], a[b][1]) / BANDS;
            whole[0] += a[b][0] / BANDS;
            whole[1] += a[b][1] / BANDS;
        }
        double[] low = {a[0][0] + a[1][0] + a[2][0], a[0][1] + a[1][1] + a[2][1]};
        double[] high = {a[4][0] + a[5][0] + a[6][0], a[4][1] + a[5][1] + a[6][1]};
        double norm = Math.hypot(low[0], low[1]) * Math.hypot(high[0], high[1]);
        double together = norm < 1e-12 ? 1 : (low[0] * high[0] + low[1] * high[1]) / norm;
        return new Strongest(hz, standing, together, size, Math.hypot(whole[0], whole[1]) / Math.max(1e-9, size));
    }

    /** Level swing at a rate, mean of low, middle and high bands, dB from peak to peak. */
    double swingDb(double hz) {
        double sum = 0;
        int[][] thirds = {{0, 1, 2}, {3, 4}, {5, 6}};
        for (int[] bands : thirds) {
            double c = 0;
            double s = 0;
            for (int b : bands) {
                double[] a = fitted(b, hz).amplitudes();
                c += a[0] / bands.length;
                s += a[1] / bands.length;
            }
            sum += Math.hypot(c, s) / thirds.length;
        }
        return 2 * sum * 10 / Math.log(10);
    }

    /** @param beatHz of the company's rhythm, near whose simple multiples nothing is believed */
    Finding<ModulationReading> find(Strongest s, OptionalDouble beatHz) {
        boolean steady = s.standing.z() >= Z && s.standing.statistic() > LEAST_SHARE && s.isOverChance(OVER_CHANCE);
        boolean sways = steady || s.standing.statistic() > MOSTLY && s.isOverChance(FAR_OVER_CHANCE)
                || s.standing.statistic() > MUCH && s.isOverChance(BEYOND_CHANCE);
        if (!sways) return Finding.absent(0.8, "the level sways at no steady rate that the take does not explain");
        if (beatHz.isPresent() && isOfTheBeat(s.rateHz, beatHz.getAsDouble()))
            return Finding.unknown("the level sways, but with the rhythm");
        if (Math.abs(s.together) < TOGETHER)
            return Finding.unknown(
                    "the level sways, but lows and highs neither together nor against each other, as in a sweep");
        boolean opposed = s.together < 0;
        double q = Math.min(1, s.amplitude / 4);
        double depth = 100 * 4 * q / ((1 + q) * (1 + q));
        return Finding.present(new ModulationReading(opposed ? ModulationKind.HARMONIC_TREMOLO : ModulationKind.TREMOLO,
                OptionalDouble.of(s.rateHz), OptionalDouble.of(Math.min(100, depth))),
                s.standing.z() >= SURE_Z ? 0.97 : 0.9,
                Figures.of(opposed
                        ? "lows and highs sway against each other %.2f times a second, by %.0f dB, which the take does not"
                        : "the level sways %.2f times a second, by %.0f dB, which the take does not", s.rateHz,
                        2 * s.amplitude * 10 / Math.log(10)));
    }

    static boolean isOfTheBeat(double hz, double beatHz) {
        for (double r : BEAT_RATIOS) if (Math.abs(hz / (r * beatHz) - 1) < BEAT_NEAR) return true;
        return false;
    }
}
