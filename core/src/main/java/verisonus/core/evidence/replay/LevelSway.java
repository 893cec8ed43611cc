package verisonus.core.evidence.replay;

import java.util.Arrays;
import java.util.OptionalDouble;
import verisonus.core.evidence.movement.ModulationKind;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.work.Figures;

/**
 * Does the level sway at a steady rate, in all bands together (tremolo) or lows against highs (harmonic tremolo)? What the fit leaves is
 * followed by band, the usual course of a note taken off, and one sine sought that goes on through all notes and bands, turned round over
 * some pitch or over none (a matched filter for each; bands weigh as they are quiet). Bands that each have a phase of their own
 * are not a tremolo's but a sweep's. Chance is judged by {@link SignedNotes}. Output: rate in Hz, depth in percent of the gain.
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
    /** Of how many low bands the rest may be the opposite; none: all sway together. */
    private static final int SPLITS = 5;
    /** As quiet a band as counts. */
    private static final double LEAST_VARIANCE = 1e-4;
    /** Of two hundred records a tremolo explained more of what is left than a sweep, repeats or the playing ever did. */
    private static final double LEAST_SHARE = 0.1;
    private static final double Z = 4.2;
    private static final double OVER_CHANCE = 1.3;
    /** Of a few long notes chance reaches far: there the sway must explain more of what is left than the playing ever did. */
    private static final double MOSTLY = 0.4;
    private static final double MOSTLY_Z = 2;
    private static final double SURE_Z = 8;
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
     * @param turned of how many low bands the others are the opposite; 0: all sway together
     * @param amplitude of its first harmonic in the log of power, mean over bands
     * @param coherence how far the bands sway together, 0 to 1
     */
    record Strongest(double rateHz, SignedNotes.Standing standing, int turned, double amplitude, double coherence) {
        boolean isOverChance(double factor) {
            return standing.statistic() > factor * standing.high();
        }
    }

    Strongest strongest() {
        Matched matched = new Matched();
        double[] plain = new double[notes];
        Arrays.fill(plain, 1);
        int best = 0;
        int turned = 0;
        double most = -1;
        for (int r = 0; r < RATES; r++) {
            double[] shares = matched.shares(r, plain);
            for (int split = 0; split < SPLITS; split++) {
                if (shares[split] <= most) continue;
                most = shares[split];
                best = r;
                turned = split;
            }
        }
        SignedNotes chance = new SignedNotes(notes, DRAWS);
        double[] drawn = new double[DRAWS];
        for (int d = 0; d < DRAWS; d++)
            for (int r = 0; r < RATES; r++)
                for (double v : matched.shares(r, chance.draw(d))) drawn[d] = Math.max(drawn[d], v);
        return strongest(matched.fitted[best], SLOWEST_HZ + best * STEP_HZ, turned,
                SignedNotes.Standing.of(most, drawn));
    }

    /** Sines of all rates in all bands, and how much one of them explains in all bands at once. */
    private final class Matched {
        private final Fitted[][] fitted = new Fitted[RATES][BANDS];
        private final double[] variance = new double[BANDS];
        private final double all;

        Matched() {
            double sum = 0;
            for (int b = 0; b < BANDS; b++) {
                long said = Arrays.stream(residual[b]).filter(v -> !Double.isNaN(v)).count();
                variance[b] = total[b] / Math.max(1, said) + LEAST_VARIANCE;
                sum += total[b] / variance[b];
            }
            all = Math.max(1e-9, sum);
            for (int r = 0; r < RATES; r++)
                for (int b = 0; b < BANDS; b++) fitted[r][b] = fitted(b, SLOWEST_HZ + r * STEP_HZ);
        }

        /**
         * Share of what is left that a sine explains, by split.
         *
         * @param signs by note
         */
        double[] shares(int rate, double[] signs) {
            double[] c = new double[BANDS];
            double[] s = new double[BANDS];
            double cc = 0;
            double ss = 0;
            double cs = 0;
            for (int b = 0; b < BANDS; b++) {
                Fitted f = fitted[rate][b];
                for (int n = 0; n < signs.length; n++) {
                    c[b] += signs[n] * f.cos[n] / variance[b];
                    s[b] += signs[n] * f.sin[n] / variance[b];
                }
                cc += f.cc / variance[b];
                ss += f.ss / variance[b];
                cs += f.cs / variance[b];
            }
            double det = cc * ss - cs * cs;
            double[] out = new double[SPLITS];
            for (int split = 0; split < SPLITS && det > 1e-9; split++) {
                double x = 0;
                double y = 0;
                for (int b = 0; b < BANDS; b++) {
                    boolean opposed = split > 0 && b >= split;
                    x += opposed ? -c[b] : c[b];
                    y += opposed ? -s[b] : s[b];
                }
                out[split] = (ss * x * x - 2 * cs * x * y + cc * y * y) / det / all;
            }
            return out;
        }
    }

    private static Strongest strongest(Fitted[] bands, double hz, int turned, SignedNotes.Standing standing) {
        double size = 0;
        double[] whole = new double[2];
        for (Fitted f : bands) {
            double[] a = f.amplitudes();
            size += Math.hypot(a[0], a[1]) / BANDS;
            whole[0] += a[0] / BANDS;
            whole[1] += a[1] / BANDS;
        }
        return new Strongest(hz, standing, turned, size, Math.hypot(whole[0], whole[1]) / Math.max(1e-9, size));
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
        boolean sways = s.standing.z() >= Z && s.standing.statistic() > LEAST_SHARE && s.isOverChance(OVER_CHANCE)
                || s.standing.z() >= MOSTLY_Z && s.standing.statistic() > MOSTLY && s.isOverChance(1);
        if (!sways) return Finding.absent(0.8, "the level sways at no steady rate that the take does not explain");
        if (beatHz.isPresent() && isOfTheBeat(s.rateHz, beatHz.getAsDouble()))
            return Finding.unknown("the level sways, but with the rhythm");
        boolean opposed = s.turned > 0;
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
