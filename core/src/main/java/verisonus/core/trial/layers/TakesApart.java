package verisonus.core.trial.layers;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.compare.HeardChange;
import verisonus.core.evidence.notes.PlayedNote;
import verisonus.core.perform.time.NoteStarts;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/**
 * How far apart two takes of one part are, as they stand on two sides.
 *
 * @param laterMs how much later the second begins its notes, median
 * @param spreadMs how far its notes waver about that, median of the distances
 * @param widestMs nine notes of ten lie within this of it
 * @param notes how many were found in both
 * @param soundJnd how far the two differ in colour and course, loudness taken out
 */
public record TakesApart(double laterMs, double spreadMs, double widestMs, int notes, double soundJnd) {
    private static final double SAME_NOTE_S = 0.09;
    private static final int FEWEST = 4;
    /** Under this two takes are one: a copy moved or filtered does not widen as a second playing does. */
    private static final double COPY_MS = 0.5;
    /** Further apart than this a pair of notes is heard as a pair (about 30 ms for plucked sounds). */
    private static final double FLAM_MS = 30;

    /** Takes beginning together. @throws InputFault where too few notes are common to both */
    public static TakesApart of(Sound first, Sound second) {
        List<PlayedNote> a = NoteStarts.of(first.atRate(Sound.WORKING_RATE_HZ));
        List<PlayedNote> b = NoteStarts.of(second.atRate(Sound.WORKING_RATE_HZ));
        double[] late = apart(a, b);
        if (late.length < FEWEST)
            throw new InputFault("the two takes", "only " + late.length + " notes begin in both",
                    "give two takes of the same part that begin together");
        double median = middle(late, 0.5);
        double[] about = new double[late.length];
        for (int i = 0; i < about.length; i++) about[i] = Math.abs(late[i] - median);
        return new TakesApart(1000 * median, 1000 * middle(about, 0.5), 1000 * middle(about, 0.9), late.length,
                HeardChange.between(HeardChange.Moments.of(first), HeardChange.Moments.of(second)).jnd());
    }

    private static double[] apart(List<PlayedNote> a, List<PlayedNote> b) {
        List<Double> out = new ArrayList<>();
        for (PlayedNote n : a) {
            double best = SAME_NOTE_S;
            double at = Double.NaN;
            for (PlayedNote m : b) {
                double d = m.atS() - n.atS();
                if (Math.abs(d) < best) {
                    best = Math.abs(d);
                    at = d;
                }
            }
            if (!Double.isNaN(at)) out.add(at);
        }
        return out.stream().mapToDouble(Double::doubleValue).toArray();
    }

    private static double middle(double[] v, double share) {
        double[] sorted = v.clone();
        java.util.Arrays.sort(sorted);
        return sorted[(int) (share * (sorted.length - 1))];
    }

    /** Whether the second is the first again, moved or filtered. */
    public boolean isCopy() {
        return spreadMs < COPY_MS;
    }

    public String words() {
        if (isCopy()) {
            return Figures.of(
                    "the second is a copy, %.1f ms later: play it again, a copy does not widen and colours in mono",
                    laterMs);
        }
        String apart = Figures.of("notes lie %.0f ms apart, nine of ten within %.0f ms", spreadMs,
                widestMs);
        return widestMs > FLAM_MS
                ? apart + ": some will be heard twice, play them tighter"
                : apart
                        + ": one wide guitar";
    }
}
