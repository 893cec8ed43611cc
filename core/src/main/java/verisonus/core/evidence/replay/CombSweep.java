package verisonus.core.evidence.replay;

import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.core.evidence.movement.ModulationKind;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.work.Figures;

/**
 * Do notches sweep through the sound? What the fit leaves, by a sixth of an octave and 80 ms, is compared with the response of four
 * all-passes, and of a short delay, that sway at each rate (sweeps read from recordings: R. Kiiski, F. Esqueda, V. Välimäki, DAFx-16).
 * Output: rate in Hz. Chance is judged by {@link SignedNotes}.
 */
final class CombSweep {
    private static final int BLOCK = 8;
    private static final double LOWEST_HZ = 150;
    private static final double HIGHEST_HZ = 4800;
    private static final int BANDS = 30;
    private static final double MOST = 2.5;
    private static final double LEAST_CYCLES = 1.6;
    private static final double SLOWEST_HZ = 0.1;
    private static final double FASTEST_HZ = 2;
    private static final double STEP = 1.07;
    private static final int PHASES = 10;
    private static final double[] CENTRES_HZ = {350, 600, 1000};
    private static final double[] OCTAVES = {0.6, 1.2, 1.8};
    private static final double[] DELAYS_MS = {1.5, 3};
    private static final double[] DELAY_SWAYS = {0.4, 0.7};
    private static final int DRAWS = 18;
    private static final double RETURNS = 0.85;
    private static final int APART_BLOCKS = 9;
    private static final double FOUND_Z = 4.3;
    /**
     * A sweep that comes round twice or thrice is as easily the playing's. Of seventy records without one none showed a quicker one that
     * stands out as far as {@link #FOUND_Z} and explains as much as {@link #LEAST}.
     */
    private static final double SLOW_HZ = 0.25;
    private static final double SURE_Z = 9;
    private static final double ASKED_Z = 4;
    private static final double CONFIRMED_Z = 3;
    private static final double CONFIRMED = 0.8;
    private static final double NEAR = 0.04;
    private static final double TWICE = 0.75;
    private static final double LEAST = 0.05;
    private static final double TABLE_PER_OCTAVE = 64;
    private static final int TABLE_OCTAVES = 7;
    private static final double[] ALL_PASS = allPassTable();

    private final DirectFit fit;
    private final int blocks;
    private final double[][] residual;
    private final int[] noteOf;
    private final int notes;

    CombSweep(DirectFit fit) {
        this.fit = fit;
        blocks = fit.frames / BLOCK;
        notes = fit.starts.length + 1;
        noteOf = new int[blocks];
        for (int t = 0; t < blocks; t++) noteOf[t] = fit.noteOf[t * BLOCK + BLOCK / 2] + 1;
        residual = new double[BANDS][blocks];
        double[][] spectrum = new double[blocks][BANDS];
        fill(spectrum);
        lessReturning(spectrum);
        for (int round = 0; round < 3; round++) centre(residual);
    }

    /** Share of the response cos(8·atan x), by octaves of x. */
    private static double[] allPassTable() {
        double[] out = new double[(int) (2 * TABLE_OCTAVES * TABLE_PER_OCTAVE) + 1];
        for (int i = 0; i < out.length; i++)
            out[i] = Math.cos(8 * Math.atan(Math.pow(2, i / TABLE_PER_OCTAVE - TABLE_OCTAVES)));
        return out;
    }

    private static double bandHz(int b) {
        return LOWEST_HZ * Math.pow(HIGHEST_HZ / LOWEST_HZ, (b + 0.5) / BANDS);
    }

    private static int band(int k) {
        double at = Math.log(Channels.CENTRE_HZ[k] / LOWEST_HZ) / Math.log(HIGHEST_HZ / LOWEST_HZ);
        return at < 0 || at >= 1 ? -1 : (int) (at * BANDS);
    }

    private void fill(double[][] spectrum) {
        int[][] count = new int[BANDS][blocks];
        for (int k = 0; k < Channels.COUNT; k++) {
            int b = band(k);
            if (b < 0) continue;
            double s = fit.share[Channels.BAND[k]][DirectFit.DIRECT];
            for (int t = 0; t < blocks * BLOCK; t++) {
                spectrum[t / BLOCK][b] += s * fit.direct[k][t];
                if (!fit.asked[t] || fit.model[k][t] < 4 * fit.floor[k]) continue;
                residual[b][t / BLOCK] += Math.clamp(Math.log(fit.recording[k][t] / fit.model[k][t]), -MOST, MOST);
                count[b][t / BLOCK]++;
            }
        }
        for (int b = 0; b < BANDS; b++)
            for (int t = 0; t < blocks; t++) if (count[b][t] > 0) residual[b][t] /= count[b][t];
        for (double[] s : spectrum) {
            double norm = 1e-20;
            for (int b = 0; b < BANDS; b++) {
                s[b] = Math.sqrt(s[b]);
                norm += s[b] * s[b];
            }
            for (int b = 0; b < BANDS; b++) s[b] /= Math.sqrt(norm);
        }
    }

    /** What returns whenever similar notes return is theirs. */
    private void lessReturning(double[][] spectrum) {
        double[][] kept = new double[BANDS][];
        for (int b = 0; b < BANDS; b++) kept[b] = residual[b].clone();
        for (int t = 0; t < blocks; t++) {
            double weight = 0;
            double[] mean = new double[BANDS];
            for (int u = 0; u < blocks; u++) {
                if (Math.abs(t - u) < APART_BLOCKS) continue;
                double cosine = 0;
                for (int b = 0; b < BANDS; b++) cosine += spectrum[t][b] * spectrum[u][b];
                double w = Math.max(0, cosine - RETURNS);
                if (w <= 0) continue;
                weight += w;
                for (int b = 0; b < BANDS; b++) mean[b] += w * kept[b][u];
            }
            if (weight <= 1e-9) continue;
            for (int b = 0; b < BANDS; b++) residual[b][t] -= RETURNS * mean[b] / weight;
        }
    }

    private static void centre(double[][] v) {
        int n = v[0].length;
        for (double[] row : v) {
            double sum = 0;
            for (double x : row) sum += x;
            double mean = sum / n;
            for (int t = 0; t < n; t++) row[t] -= mean;
        }
        for (int t = 0; t < n; t++) {
            double mean = 0;
            for (double[] row : v) mean += row[t] / v.length;
            for (double[] row : v) row[t] -= mean;
        }
    }

    /** One sweep compared with what is left: its products note by note, its own energy. */
    private record Compared(double hz, double octaves, boolean notches, double[] byNote, double energy) {}

    /**
     * The sweep that fits best.
     *
     * @param amplitude by which it moves the log of power
     */
    record Strongest(double rateHz, double octaves, boolean notches, SignedNotes.Standing standing, double amplitude) {}

    Strongest strongest() {
        double norm = 1e-9;
        for (double[] row : residual) for (double v : row) norm += v * v;
        double root = Math.sqrt(norm);
        SignedNotes chance = new SignedNotes(notes, DRAWS);
        double[] drawn = new double[DRAWS];
        Compared best = new Compared(SLOWEST_HZ, 1, true, new double[notes], 1);
        double most = -1;
        double lengthS = (double) fit.frames / Channels.FRAMES_A_SECOND;
        for (double hz = Math.max(SLOWEST_HZ, LEAST_CYCLES / lengthS); hz <= FASTEST_HZ; hz *= STEP) {
            for (int p = 0; p < PHASES; p++) {
                double[] sway = sway(hz, 2 * Math.PI * p / PHASES);
                for (Compared c : compared(hz, sway)) {
                    double scale = 1 / (root * Math.sqrt(c.energy + 1e-9));
                    double v = Arrays.stream(c.byNote).sum() * scale;
                    if (v > most) {
                        most = v;
                        best = c;
                    }
                    for (int d = 0; d < DRAWS; d++)
                        drawn[d] = Math.max(drawn[d], signed(c.byNote, chance.draw(d)) * scale);
                }
            }
        }
        double amplitude = Arrays.stream(best.byNote).sum() / Math.max(1e-9, best.energy);
        // A comb that sweeps to and fro passes every frequency twice; the slower sweep then fits nearly as well.
        double half = 0;
        for (double near : new double[]{0.97, 1, 1.03}) half = Math.max(half, most(near * best.hz / 2, root));
        boolean twice = half > TWICE * most && best.hz / 2 > SLOWEST_HZ;
        return new Strongest(refined(twice ? best.hz / 2 : best.hz, root), best.octaves, best.notches && !twice,
                SignedNotes.Standing.of(most, drawn), amplitude);
    }

    /** The best likeness of any sweep at one rate. */
    private double most(double hz, double root) {
        double out = 0;
        for (int p = 0; p < PHASES; p++)
            for (Compared c : compared(hz, sway(hz, 2 * Math.PI * p / PHASES)))
                out = Math.max(out, Arrays.stream(c.byNote).sum() / (root * Math.sqrt(c.energy + 1e-9)));
        return out;
    }

    /** The best rate between those of the bank. */
    private double refined(double hz, double root) {
        double best = hz;
        double most = most(hz, root);
        for (double near : new double[]{0.955, 0.97, 0.985, 1.015, 1.03, 1.045}) {
            double v = most(near * hz, root);
            if (v > most) {
                most = v;
                best = near * hz;
            }
        }
        return best;
    }

    private static double signed(double[] v, double[] signs) {
        double sum = 0;
        for (int n = 0; n < v.length; n++) sum += signs[n] * v[n];
        return sum;
    }

    private double[] sway(double hz, double phase) {
        double[] out = new double[blocks];
        for (int t = 0; t < blocks; t++) {
            double s = (t * BLOCK + BLOCK / 2.0) / Channels.FRAMES_A_SECOND;
            out[t] = Math.sin(2 * Math.PI * hz * s + phase);
        }
        return out;
    }

    private Compared[] compared(double hz, double[] sway) {
        Compared[] out = new Compared[CENTRES_HZ.length * OCTAVES.length + DELAYS_MS.length * DELAY_SWAYS.length];
        double[][] shape = new double[BANDS][blocks];
        int n = 0;
        for (double centre : CENTRES_HZ) {
            for (double octaves : OCTAVES) {
                for (int b = 0; b < BANDS; b++) {
                    double at = Math.log(bandHz(b) / centre) / Math.log(2) + TABLE_OCTAVES;
                    for (int t = 0; t < blocks; t++) {
                        int i = (int) ((at - octaves * sway[t]) * TABLE_PER_OCTAVE);
                        shape[b][t] = ALL_PASS[Math.clamp(i, 0, ALL_PASS.length - 1)];
                    }
                }
                out[n++] = compared(hz, octaves, true, shape);
            }
        }
        for (double ms : DELAYS_MS) {
            for (double depth : DELAY_SWAYS) {
                for (int b = 0; b < BANDS; b++) {
                    double turns = 2 * Math.PI * bandHz(b) * ms / 1000;
                    for (int t = 0; t < blocks; t++) shape[b][t] = Math.cos(turns * (1 + depth * sway[t]));
                }
                out[n++] = compared(hz, depth, false, shape);
            }
        }
        return out;
    }

    private Compared compared(double hz, double octaves, boolean notches, double[][] shape) {
        centre(shape);
        double[] byNote = new double[notes];
        double energy = 0;
        for (int b = 0; b < BANDS; b++) {
            for (int t = 0; t < blocks; t++) {
                byNote[noteOf[t]] += residual[b][t] * shape[b][t];
                energy += shape[b][t] * shape[b][t];
            }
        }
        return new Compared(hz, octaves, notches, byNote, energy);
    }

    /**
     * The strongest sweep where the recording alone shows one of the same rate: two ways that agree need each be less sure.
     *
     * @param suspectedHz rate by the recording alone
     */
    static Optional<Finding<ModulationReading>> confirmed(Strongest s, double suspectedHz) {
        boolean agree = Math.abs(s.rateHz / suspectedHz - 1) < NEAR;
        double over = s.standing.statistic() - s.standing.mean();
        if (!agree || s.standing.z() < CONFIRMED_Z || over < LEAST) return Optional.empty();
        return Optional.of(present(s, CONFIRMED, Figures.of(
                "notches sweep through the sound %.2f times a second, as the recording alone shows too", suspectedHz)));
    }

    Finding<ModulationReading> find(Strongest s) {
        double over = s.standing.statistic() - s.standing.mean();
        if (s.standing.z() < ASKED_Z || over < LEAST)
            return Finding.unknown(
                    "no sweep stands out; a faint or very slow one, or one in front of other effects, would not show");
        String said = Figures.of("notches sweep through the sound %.2f times a second", s.rateHz);
        if (s.standing.z() < (s.rateHz < SLOW_HZ ? SURE_Z : FOUND_Z)) return Finding.unknown(said + ", perhaps");
        return present(s, s.standing.z() < SURE_Z ? 0.75 : 0.95, said);
    }

    private static Finding<ModulationReading> present(Strongest s, double confidence, String said) {
        double ratio = Math.clamp(s.amplitude / 2, 0, 1);
        return Finding.present(new ModulationReading(s.notches ? ModulationKind.PHASER : ModulationKind.FLANGER,
                OptionalDouble.of(s.rateHz), OptionalDouble.of(100 * ratio / (1 + ratio))), confidence, said);
    }
}
