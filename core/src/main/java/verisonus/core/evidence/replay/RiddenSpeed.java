package verisonus.core.evidence.replay;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.DoubleUnaryOperator;
import verisonus.core.sound.Sound;

/**
 * A swaying level whose speed somebody changed while the record was made, as with the switch of a turning loudspeaker or a foot on a
 * tremolo's rate. In windows of three seconds, by band, a sine is fitted to what the replay leaves unexplained; through the shares it
 * explains the likeliest course of the rate is sought (A. J. Viterbi, 1967). It must explain much more than any one rate does throughout,
 * and more than it would with each note's part turned over at random.
 * Of 24 made-up records that were not tuned on, 18 changes of speed by half and 18 by more than double were found, and none of 48 records
 * without; see the ride report in {@code bench}.
 *
 * @param atS middle of each window, seconds
 * @param hz rate there
 */
public record RiddenSpeed(List<Double> atS, List<Double> hz) {
    private static final double SLOWEST_HZ = 1.5;
    private static final double FASTEST_HZ = 12;
    private static final double RATIO = 1.04;
    private static final int RATES = 1 + (int) (Math.log(FASTEST_HZ / SLOWEST_HZ) / Math.log(RATIO));
    private static final double WINDOW_S = 3;
    private static final double STEP_S = 0.5;
    private static final int FEWEST_WINDOWS = 8;
    private static final int FEWEST_FRAMES = 60;
    /** What a step of the rate by one ratio costs, as a share explained, and the most that any step does. */
    private static final double STEP_COSTS = 0.01;
    private static final double MOST_COSTS = 0.12;
    private static final int DRAWS = 20;
    private static final double OVER_CHANCE = 1.15;
    private static final double OVER_STEADY = 1.2;
    private static final double LEAST_SHARE = 0.2;
    private static final double MOSTLY = 0.4;
    private static final double FAR_OVER_STEADY = 1.6;
    private static final double LEAST_CHANGE = 1.25;
    /** As many windows at least as must hold a rate for it to be one. */
    private static final int HELD = 3;

    public RiddenSpeed {
        atS = List.copyOf(atS);
        hz = List.copyOf(hz);
    }

    /**
     * Follows the rate.
     *
     * @param recording in which the guitar stands alone, of 7 s or more
     * @param replay the dry tone on a take of the same phrase, in time with it
     * @return empty where nothing sways, where it sways as fast throughout, or where it cannot be followed
     */
    public static Optional<RiddenSpeed> of(Sound recording, Sound replay) {
        LevelSway left = new LevelSway(new DirectFit(recording, replay, DirectFit.Tails.FITTED, _ -> true));
        Shares shares = new Shares(left);
        if (shares.windows.size() < FEWEST_WINDOWS) return Optional.empty();
        double[] asTheyAre = new double[left.notes()];
        Arrays.fill(asTheyAre, 1);
        double[][] explained = shares.explained(asTheyAre);
        Course course = Course.through(explained);
        double steady = Course.steady(explained);
        if (course.mean() < LEAST_SHARE || course.mean() < OVER_STEADY * steady
                || rate(course.held(false)) < LEAST_CHANGE * rate(course.held(true)))
            return Optional.empty();
        SignedNotes chance = new SignedNotes(left.notes(), DRAWS);
        double high = 0;
        for (int d = 0; d < DRAWS; d++) high = Math.max(high, Course.through(shares.explained(chance.draw(d))).mean());
        // Of few long notes chance reaches far; then the course must explain most, and far more than any one rate.
        boolean plain = course.mean() >= MOSTLY && course.mean() >= high && course.mean() >= FAR_OVER_STEADY * steady;
        if (course.mean() < OVER_CHANCE * high && !plain) return Optional.empty();
        List<Double> at = new ArrayList<>();
        List<Double> hz = new ArrayList<>();
        for (int w = 0; w < shares.windows.size(); w++) {
            at.add((shares.windows.get(w) + 0.5 * Shares.LENGTH) / Channels.FRAMES_A_SECOND);
            hz.add(rate(course.rates[w]));
        }
        return Optional.of(new RiddenSpeed(at, hz));
    }

    private static double rate(int r) {
        return SLOWEST_HZ * Math.pow(RATIO, r);
    }

    /** The likeliest course of the rate, by window. */
    private record Course(int[] rates, double mean) {
        static Course through(double[][] explained) {
            int n = explained.length;
            double[][] best = new double[n][RATES];
            int[][] from = new int[n][RATES];
            best[0] = explained[0].clone();
            for (int w = 1; w < n; w++) {
                for (int r = 0; r < RATES; r++) {
                    double most = -1e9;
                    for (int q = 0; q < RATES; q++) {
                        double v = best[w - 1][q] - Math.min(MOST_COSTS, STEP_COSTS * Math.abs(r - q));
                        if (v > most) {
                            most = v;
                            from[w][r] = q;
                        }
                    }
                    best[w][r] = most + explained[w][r];
                }
            }
            int[] rates = new int[n];
            for (int r = 1; r < RATES; r++) if (best[n - 1][r] > best[n - 1][rates[n - 1]]) rates[n - 1] = r;
            for (int w = n - 1; w > 0; w--) rates[w - 1] = from[w][rates[w]];
            double sum = 0;
            for (int w = 0; w < n; w++) sum += explained[w][rates[w]];
            return new Course(rates, sum / n);
        }

        /** What the one rate that explains most does, mean of all windows. */
        static double steady(double[][] explained) {
            double most = 0;
            for (int r = 0; r < RATES; r++) {
                double sum = 0;
                for (double[] w : explained) sum += w[r];
                most = Math.max(most, sum / explained.length);
            }
            return most;
        }

        /** The slowest or fastest rate that some windows on end are at or beyond. */
        int held(boolean slowest) {
            int out = slowest ? RATES : 0;
            for (int w = 0; w + HELD <= rates.length; w++) {
                int[] there = Arrays.copyOfRange(rates, w, w + HELD);
                out = slowest
                        ? Math.min(out, Arrays.stream(there).max().orElseThrow())
                        : Math.max(out, Arrays.stream(there).min().orElseThrow());
            }
            return out;
        }
    }

    /** How much of what is left a sine of each rate explains in each window. */
    private static final class Shares {
        static final int LENGTH = (int) (WINDOW_S * Channels.FRAMES_A_SECOND);
        private static final int HOP = (int) (STEP_S * Channels.FRAMES_A_SECOND);

        private final LevelSway left;
        private final List<Integer> windows = new ArrayList<>();
        private final List<List<Products>> products = new ArrayList<>();

        Shares(LevelSway left) {
            this.left = left;
            for (int from = 0; from + LENGTH <= left.frames(); from += HOP) {
                if (heard(left.bands() / 2, from) < FEWEST_FRAMES) continue;
                windows.add(from);
                List<Products> bands = new ArrayList<>();
                for (int b = 0; b < left.bands(); b++)
                    if (heard(b, from) >= FEWEST_FRAMES) bands.add(new Products(left, b, from));
                products.add(bands);
            }
        }

        private int heard(int band, int from) {
            int n = 0;
            for (int t = from; t < from + LENGTH; t++) if (!Double.isNaN(left.left(band)[t])) n++;
            return n;
        }

        /** @param signs of each note's part */
        double[][] explained(double[] signs) {
            double[][] out = new double[windows.size()][RATES];
            for (int w = 0; w < out.length; w++) {
                double total = 1e-9;
                for (Products p : products.get(w)) total += p.addTo(out[w], signs);
                for (int r = 0; r < RATES; r++) out[w][r] /= total;
            }
            return out;
        }
    }

    /** A band's products with a sine of each rate in one window, note by note, so that signs can be drawn over and over. */
    private static final class Products {
        private static final double[][] COS = table(Math::cos);
        private static final double[][] SIN = table(Math::sin);

        private final int first;
        private final int count;
        private final double square;
        private final double[] sum;
        private final double[][] cos;
        private final double[][] sin;
        /** Of the sine alone: sums of c, s, c², s² and c·s. */
        private final double[][] own = new double[RATES][5];

        Products(LevelSway left, int band, int from) {
            first = left.note(from);
            int notes = left.note(from + Shares.LENGTH - 1) - first + 1;
            sum = new double[notes];
            cos = new double[RATES][notes];
            sin = new double[RATES][notes];
            int n = 0;
            double squares = 0;
            for (int i = 0; i < Shares.LENGTH; i++) {
                double y = left.left(band)[from + i];
                if (Double.isNaN(y)) continue;
                int note = left.note(from + i) - first;
                n++;
                squares += y * y;
                sum[note] += y;
                for (int r = 0; r < RATES; r++) add(r, note, y, COS[r][i], SIN[r][i]);
            }
            count = n;
            square = squares;
        }

        private static double[][] table(DoubleUnaryOperator wave) {
            double[][] out = new double[RATES][Shares.LENGTH];
            for (int r = 0; r < RATES; r++)
                for (int i = 0; i < Shares.LENGTH; i++)
                    out[r][i] = wave.applyAsDouble(2 * Math.PI * rate(r) * i / Channels.FRAMES_A_SECOND);
            return out;
        }

        private void add(int r, int note, double y, double c, double s) {
            cos[r][note] += y * c;
            sin[r][note] += y * s;
            own[r][0] += c;
            own[r][1] += s;
            own[r][2] += c * c;
            own[r][3] += s * s;
            own[r][4] += c * s;
        }

        /** Adds what each rate explains; what there is to explain is returned. */
        double addTo(double[] explained, double[] signs) {
            double mean = signed(sum, signs) / count;
            for (int r = 0; r < RATES; r++) {
                double yc = signed(cos[r], signs) - mean * own[r][0];
                double ys = signed(sin[r], signs) - mean * own[r][1];
                double cc = own[r][2];
                double ss = own[r][3];
                double cs = own[r][4];
                double det = cc * ss - cs * cs;
                if (det > 1e-9) explained[r] += (ss * yc * yc - 2 * cs * yc * ys + cc * ys * ys) / det;
            }
            return square - count * mean * mean;
        }

        private double signed(double[] byNote, double[] signs) {
            double out = 0;
            for (int n = 0; n < byNote.length; n++) out += signs[first + n] * byNote[n];
            return out;
        }
    }
}
