package verisonus.core.perform.time;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import verisonus.core.evidence.notes.TempoCourse;
import verisonus.core.work.Figures;

/**
 * What a time that follows a drifting beat has to cover.
 *
 * @param lowBpm slowest of the middle 95 hundredths
 * @param highBpm fastest of them
 * @param steady whether it holds as if to a click
 * @param course where the beat is when
 */
public record TempoRange(double lowBpm, double highBpm, boolean steady, List<At> course) {
    /** Two onsets closer than this are one to the ear (R. Rasch, "Synchronization in performed ensemble music", 1979). */
    public static final double FLAM_MS = 30;
    private static final double OUTER = 0.025;
    /** A foot is moved when the beat has gone this far. */
    private static final double WORTH_MOVING = 0.01;

    /** The tempo at a time. */
    public record At(double atS, double bpm) {}

    public TempoRange {
        course = List.copyOf(course);
    }

    public static TempoRange of(TempoCourse course) {
        double[] sorted = course.bpm().clone();
        Arrays.sort(sorted);
        List<At> out = new ArrayList<>();
        for (int i = 0; i < course.bpm().length; i++) out.add(new At(course.atS()[i], course.bpm()[i]));
        if (sorted.length == 0) return new TempoRange(0, 0, true, out);
        return new TempoRange(quantile(sorted, OUTER), quantile(sorted, 1 - OUTER), course.isConstant(), out);
    }

    private static double quantile(double[] sorted, double q) {
        double at = q * (sorted.length - 1);
        int i = (int) Math.min(sorted.length - 2.0, Math.floor(at));
        if (sorted.length == 1) return sorted[0];
        return sorted[i] + (at - i) * (sorted[i + 1] - sorted[i]);
    }

    public boolean isKnown() { return !course.isEmpty(); }

    /** How far the tempo may be off, BPM, until a repeat stands apart from the beat it should fall on. */
    public static double flamBpm(NoteSum length, double bpm, int repeat) {
        double ms = length.milliseconds(bpm) * repeat;
        return bpm * FLAM_MS / ms;
    }

    /** Where a foot has to be when, so that a length follows the beat; only what is worth a move. */
    public List<Step> path(NoteSum length) {
        List<Step> out = new ArrayList<>();
        for (At a : course) {
            if (!out.isEmpty() && Math.abs(a.bpm / out.getLast().bpm - 1) < WORTH_MOVING) continue;
            out.add(new Step(a.atS, a.bpm, length.milliseconds(a.bpm)));
        }
        return out;
    }

    /** One place of the foot. */
    public record Step(double atS, double bpm, double timeMs) {}

    public String words() {
        if (!isKnown()) return "no tempo was found";
        return steady
                ? Figures.of("the tempo holds at %.1f BPM: a fixed time will do",
                        (lowBpm + highBpm) / 2)
                : Figures.of("the tempo wanders from %.1f to %.1f BPM: tap it anew, or put the time under a"
                        + " foot",
                        lowBpm, highBpm);
    }
}
