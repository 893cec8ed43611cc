package verisonus.core.evidence.replay;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.IntPredicate;
import verisonus.core.sound.Sound;

/**
 * A level that somebody rode while the record was made: of the guitar, or of its repeats. What a replay explains of each moment is held
 * against what is heard there, in windows of two seconds; what the notes themselves were stronger or softer is the playing's and is
 * taken out by the replay's fit. Two halves of the channels must draw the same curve.
 *
 * @param atS middle of each window, seconds
 * @param db level there against the median of all
 */
public record RiddenLevel(List<Double> atS, List<Double> db) {
    private static final double WINDOW_S = 2;
    private static final double STEP_S = 0.5;
    private static final int FEWEST_CELLS = 60;
    private static final int FEWEST_WINDOWS = 8;
    /** Repeats that stand still seem to move by less than this, from the playing alone; a guitar's level by more. */
    private static final double RIDDEN_DB = 6.5;
    private static final double GUITAR_RIDDEN_DB = 8;
    private static final double AGREES = 0.965;
    private static final double SOFTEST = 0.01;
    /** Where most of the cells hold less than what explains them, the explanation is wrong there. */
    private static final double LOWEST_DB = -12;

    public RiddenLevel {
        atS = List.copyOf(atS);
        db = List.copyOf(db);
    }

    /**
     * Of the repeats.
     *
     * @param recording in which they are heard, of 6 s or more
     * @param replay the dry tone on a take of the same phrase, in time with it
     * @param timeMs their time
     * @return empty where they stand still, or cannot be followed
     */
    public static Optional<RiddenLevel> ofRepeats(Sound recording, Sound replay, double timeMs) {
        DirectFit fit = new DirectFit(recording, replay, DirectFit.Tails.LEFT, _ -> true);
        fit.fit(OptionalInt.of(Math.max(1, (int) Math.round(timeMs * Channels.FRAMES_A_SECOND / 1000))));
        return ridden(RIDDEN_DB, (k, t) -> {
            double copies = fit.copies(k, t);
            double rest = fit.model[k][t] - copies;
            // Only where they are louder than all else can they be followed.
            if (copies < 2 * rest) return Double.NaN;
            return Math.log(Math.max(SOFTEST, (fit.recording[k][t] - rest) / copies));
        }, fit.frames);
    }

    /**
     * Of the guitar: what a fader or a volume pedal did.
     *
     * @param recording in which it stands alone, of 6 s or more
     * @param replay the dry tone on a take of the same phrase, in time with it
     * @return empty where it stands still, or cannot be followed
     */
    public static Optional<RiddenLevel> ofGuitar(Sound recording, Sound replay) {
        DirectFit fit = new DirectFit(recording, replay, DirectFit.Tails.FITTED, _ -> true);
        // The fit took each note for stronger or softer than it was; that is what is asked here.
        return ridden(GUITAR_RIDDEN_DB, (k, t) -> fit.isDirect(k, t)
                ? Math.log(Math.max(SOFTEST, fit.recording[k][t] / fit.model[k][t]))
                        + fit.strength(fit.noteOf[t], DirectFit.broad(k))
                : Double.NaN, fit.frames);
    }

    /** A cell's level against what explains it, natural log; not a number where it says nothing. */
    private interface Cell {
        double at(int channel, int frame);
    }

    private static Optional<RiddenLevel> ridden(double leastDb, Cell cell, int frames) {
        List<Double> at = new ArrayList<>();
        List<Double> all = new ArrayList<>();
        List<Double> even = new ArrayList<>();
        List<Double> odd = new ArrayList<>();
        int window = (int) (WINDOW_S * Channels.FRAMES_A_SECOND);
        for (int from = 0; from + window <= frames; from += (int) (STEP_S * Channels.FRAMES_A_SECOND)) {
            Optional<Double> a = median(cell, k -> k % 2 == 0, from, from + window);
            Optional<Double> b = median(cell, k -> k % 2 == 1, from, from + window);
            Optional<Double> c = median(cell, _ -> true, from, from + window);
            if (a.isEmpty() || b.isEmpty() || c.isEmpty() || c.get() < LOWEST_DB) continue;
            at.add((from + 0.5 * window) / Channels.FRAMES_A_SECOND);
            even.add(a.get());
            odd.add(b.get());
            all.add(c.get());
        }
        if (at.size() < FEWEST_WINDOWS) return Optional.empty();
        double middle = DirectFit.median(all);
        List<Double> db = all.stream().map(v -> v - middle).toList();
        double range = db.stream().mapToDouble(v -> v).max().orElse(0) - db.stream().mapToDouble(v -> v).min()
                .orElse(0);
        if (range < leastDb || correlation(even, odd) < AGREES) return Optional.empty();
        return Optional.of(new RiddenLevel(at, db));
    }

    /** In decibels; empty where too few cells say anything. */
    private static Optional<Double> median(Cell cell, IntPredicate channels, int from, int to) {
        List<Double> v = new ArrayList<>();
        for (int k = 0; k < Channels.COUNT; k++) {
            if (!channels.test(k)) continue;
            for (int t = from; t < to; t++) {
                double x = cell.at(k, t);
                if (!Double.isNaN(x)) v.add(x);
            }
        }
        return v.size() < FEWEST_CELLS ? Optional.empty() : Optional.of(10 / Math.log(10) * DirectFit.median(v));
    }

    private static double correlation(List<Double> a, List<Double> b) {
        double ma = a.stream().mapToDouble(v -> v).average().orElse(0);
        double mb = b.stream().mapToDouble(v -> v).average().orElse(0);
        double ab = 1e-12;
        double aa = 1e-12;
        double bb = 1e-12;
        for (int i = 0; i < a.size(); i++) {
            ab += (a.get(i) - ma) * (b.get(i) - mb);
            aa += (a.get(i) - ma) * (a.get(i) - ma);
            bb += (b.get(i) - mb) * (b.get(i) - mb);
        }
        return ab / Math.sqrt(aa * bb);
    }
}
