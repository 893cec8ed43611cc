package verisonus.core.perform.time;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import verisonus.core.evidence.notes.PlayedNote;
import verisonus.core.evidence.signs.LinearPrediction;
import verisonus.core.evidence.signs.OnsetCurve;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;

/**
 * When do the notes of a dry take begin, to a millisecond or two? Spectral flux says about where; there, what the strings' ringing
 * does not foretell (the error of a linear prediction) jumps when the pick lets go.
 */
public final class NoteStarts {
    private static final double REACH_S = 0.018;
    private static final double BEFORE_S = 0.09;
    private static final double AFTER_S = 0.03;
    private static final int ORDER = 40;
    /** A beginning is this share of a strong one at least; a dry take has no repeats to be mistaken for notes. */
    private static final double LEAST = 0.2;
    private static final double LEAST_RISE = 0.03;
    private static final double APART_S = 0.045;
    private static final double SCRAPE_S = 0.09;
    private static final double LEAST_JUMP = 2;
    /** Energy is summed over this long before and after a moment. */
    private static final double PAST_S = 0.008;
    private static final double NEXT_S = 0.003;

    private NoteStarts() {}

    /** Beginnings in time order with their strength, 1 for the strongest. */
    public static List<PlayedNote> of(Sound take) {
        OnsetCurve curve = OnsetCurve.of(take);
        double[] v = curve.strength();
        double[] sorted = v.clone();
        Arrays.sort(sorted);
        double strong = sorted.length == 0 ? 0 : sorted[(int) (0.98 * (sorted.length - 1))];
        List<PlayedNote> out = new ArrayList<>();
        float[] x = take.mid();
        double top = 1e-9;
        for (int i = 2; i + 2 < v.length; i++) {
            if (v[i] < Math.max(LEAST * strong, LEAST_RISE) || !isTop(v, i)) continue;
            double at = refined(x, take.rateHz(), curve.firstS() + i * curve.hopS());
            if (Double.isNaN(at) || !out.isEmpty() && at - out.getLast().atS() < APART_S) continue;
            double level = level(x, take.rateHz(), at);
            top = Math.max(top, level);
            out.add(new PlayedNote(at, level, false));
        }
        if (out.isEmpty())
            throw new InputFault("the take", "no note begins in it that could be heard",
                    "play a phrase of a few notes");
        double loudest = top;
        scrapes(out);
        return out.stream().map(n -> new PlayedNote(n.atS(), n.strength() / loudest, false)).toList();
    }

    /** What is soft and has a far louder beginning close behind it is the hand finding the string. */
    private static void scrapes(List<PlayedNote> notes) {
        for (int i = notes.size() - 2; i >= 0; i--) {
            PlayedNote next = notes.get(i + 1);
            if (next.atS() - notes.get(i).atS() < SCRAPE_S && notes.get(i).strength() < next.strength() / 2)
                notes.remove(i);
        }
    }

    private static boolean isTop(double[] v, int i) {
        return v[i] >= v[i - 1] && v[i] >= v[i - 2] && v[i] >= v[i + 1] && v[i] >= v[i + 2];
    }

    /** RMS of the sixty milliseconds from a beginning. */
    private static double level(float[] x, int rateHz, double atS) {
        int from = (int) (atS * rateHz);
        int to = Math.min(x.length, from + rateHz * 6 / 100);
        double sum = 0;
        for (int i = from; i < to; i++) sum += (double) x[i] * x[i];
        return Math.sqrt(sum / Math.max(1, to - from));
    }

    /** The moment of the jump near a time; NaN where nothing jumps: strings that beat against each other rise too. */
    private static double refined(float[] x, int rateHz, double atS) {
        int from = (int) Math.max(0, (atS - BEFORE_S) * rateHz);
        int to = (int) Math.min(x.length, (atS + AFTER_S) * rateHz);
        float[] error = LinearPrediction.residual(Arrays.copyOfRange(x, from, to), ORDER);
        double[] sum = new double[error.length + 1];
        for (int i = 0; i < error.length; i++) sum[i + 1] = sum[i] + (double) error[i] * error[i];
        int past = (int) (PAST_S * rateHz);
        int next = (int) (NEXT_S * rateHz);
        double small = sum[error.length] / error.length * 1e-4 + 1e-15;
        int best = -1;
        double most = 0;
        int first = (int) Math.max(past, (atS - REACH_S) * rateHz - from);
        int last = (int) Math.min(error.length - next - 1.0, (atS + REACH_S) * rateHz - from);
        for (int i = first; i <= last; i++) {
            double jump = ((sum[i + next] - sum[i]) / next + small) / ((sum[i] - sum[i - past]) / past + small);
            if (jump > most) {
                most = jump;
                best = i;
            }
        }
        return most < LEAST_JUMP ? Double.NaN : (from + best) / (double) rateHz;
    }
}
