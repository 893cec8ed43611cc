package verisonus.core.evidence.replay;

import java.util.OptionalDouble;
import verisonus.core.evidence.movement.ModulationKind;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;

/**
 * Do two copies sway against each other, left and right? Their sum hardly moves, but their difference rises and falls as
 * |sin(2πf·w·sin)|, by which rate and width are found. Input: stereo. Output: rate in Hz, sway of each copy in ms. A zero difference of
 * the sides is no evidence of anything.
 */
final class SideSway {
    private static final double[] WIDTHS_MS = {0.9, 1.3, 1.75, 2.2, 2.7, 3.2};
    private static final int PHASES = 6;
    private static final double SLOWEST_HZ = 0.25;
    private static final double FASTEST_HZ = 3;
    private static final double STEP = 1.03;
    private static final double LOWEST_HZ = 250;
    private static final double HIGHEST_HZ = 3000;
    private static final double NARROWEST_DB = -32;
    private static final double MOST = 2;
    private static final double APART = 0.12;
    private static final double STANDS_OUT = 5.5;
    /** The narrowest sway is what halls look like. */
    private static final double STANDS_OUT_NARROW = 6.5;
    private static final int BLOCK = 2;
    private static final int TABLE = 4096;
    private static final float[] COS = new float[TABLE];

    static {
        for (int i = 0; i < TABLE; i++) COS[i] = (float) Math.cos(2 * Math.PI * i / TABLE);
    }

    private SideSway() {}

    /** Level of the difference against the middle, dB, {@value #NARROWEST_DB} at least. */
    static double sideDb(Sound s) {
        if (!s.isStereo()) return NARROWEST_DB;
        double mid = 1e-20;
        double side = 0;
        for (int i = 0; i < s.frames(); i++) {
            double l = s.channel(0)[i];
            double r = s.channel(1)[i];
            mid += (l + r) * (l + r) / 4;
            side += (l - r) * (l - r) / 4;
        }
        return Math.max(NARROWEST_DB, 10 * Math.log10(side / mid + 1e-12));
    }

    static Finding<ModulationReading> find(Sound recording, boolean[] asked) {
        if (sideDb(recording) <= NARROWEST_DB)
            return Finding.unknown("nothing differs between the sides; in one channel a wide movement would not show");
        Sound s = recording.atRate(Channels.RATE_HZ);
        float[][] mid = Channels.powers(s.mid());
        float[][] side = Channels.powers(s.side());
        int blocks = mid[0].length / BLOCK;
        int[] used = java.util.stream.IntStream.range(0, Channels.COUNT)
                .filter(k -> Channels.CENTRE_HZ[k] >= LOWEST_HZ && Channels.CENTRE_HZ[k] <= HIGHEST_HZ).toArray();
        float[][] x = new float[used.length][blocks];
        float[] floor = Channels.floors(mid);
        for (int i = 0; i < used.length; i++) fill(x[i], mid[used[i]], side[used[i]], floor[used[i]], asked);
        return judged(x, used);
    }

    private static void fill(float[] into, float[] mid, float[] side, float floor, boolean[] asked) {
        int[] counted = new int[into.length];
        double mean = 0;
        int n = 0;
        for (int t = 0; t < into.length; t++) {
            if (!asked[Math.min(asked.length - 1, t * BLOCK)]) continue;
            float m = mid[t * BLOCK] + mid[t * BLOCK + 1];
            float d = side[t * BLOCK] + side[t * BLOCK + 1];
            if (m < 4 * floor) continue;
            into[t] = (float) (0.5 * Math.log((d + 1e-4f * m) / m));
            counted[t] = 1;
            mean += into[t];
            n++;
        }
        for (int t = 0; t < into.length; t++)
            into[t] = counted[t] == 0 ? 0 : (float) Math.clamp(into[t] - mean / Math.max(1, n), -MOST, MOST);
    }

    private static Finding<ModulationReading> judged(float[][] x, int[] used) {
        int rates = 1 + (int) (Math.log(FASTEST_HZ / SLOWEST_HZ) / Math.log(STEP));
        double[] score = new double[rates];
        double[] width = new double[rates];
        int blocks = x[0].length;
        double norm = 1e-9;
        for (float[] row : x) for (float v : row) norm += v * v;
        for (int r = 0; r < rates; r++) {
            double hz = SLOWEST_HZ * Math.pow(STEP, r);
            for (int p = 0; p < PHASES; p++) {
                float[] sway = new float[blocks];
                for (int t = 0; t < blocks; t++)
                    sway[t] = (float) Math.sin(2 * Math.PI * hz * t * BLOCK / Channels.FRAMES_A_SECOND
                            + Math.PI * p / PHASES);
                for (double w : WIDTHS_MS) {
                    double v = likeness(x, used, sway, w) / Math.sqrt(norm);
                    if (v > score[r]) {
                        score[r] = v;
                        width[r] = w;
                    }
                }
            }
        }
        int best = 0;
        for (int r = 1; r < rates; r++) if (score[r] > score[best]) best = r;
        int top = best;
        double[] others = java.util.stream.IntStream.range(0, rates)
                .filter(r -> Math.abs(Math.pow(STEP, r - top) - 1) > APART).mapToDouble(r -> score[r]).sorted()
                .toArray();
        if (others.length < 5) return Finding.unknown("too short to see a movement come round");
        double median = others[others.length / 2];
        double spread = others[(int) (0.84 * (others.length - 1))] - median;
        double stands = (score[best] - median) / (spread + 1e-6);
        if (stands < (width[best] == WIDTHS_MS[0] ? STANDS_OUT_NARROW : STANDS_OUT))
            return Finding.unknown("the sides differ, but no sway between them stands out");
        double hz = SLOWEST_HZ * Math.pow(STEP, best);
        return Finding.present(new ModulationReading(ModulationKind.CHORUS, OptionalDouble.of(hz),
                OptionalDouble.of(Math.min(100, 100 * width[best] / 3))), 0.8,
                Figures.of("left and right sway against each other %.2f times a second", hz));
    }

    private static double likeness(float[][] x, int[] used, float[] sway, double widthMs) {
        double sum = 0;
        double square = 0;
        double total = 0;
        int n = 0;
        for (int i = 0; i < x.length; i++) {
            float turns = (float) (2 * Channels.CENTRE_HZ[used[i]] * widthMs / 1000 * TABLE);
            float dot = 0;
            float own = 0;
            float energy = 0;
            float[] row = x[i];
            for (int t = 0; t < sway.length; t++) {
                float c = -COS[(int) (turns * sway[t]) & (TABLE - 1)];
                dot += c * row[t];
                own += c;
                energy += c * c;
            }
            sum += dot;
            square += energy - own * own / sway.length;
            total += own;
            n += sway.length;
        }
        return n == 0 || square <= 0 || Double.isNaN(total) ? 0 : sum / Math.sqrt(square);
    }
}
