package verisonus.core.take;

import java.util.Arrays;
import java.util.Optional;
import java.util.OptionalInt;
import verisonus.core.sound.LevelCurve;
import verisonus.core.sound.Sound;

/**
 * When in a recording a take of the same performance begins, and whether it is of the same performance at all: beginnings
 * of notes, to the millisecond, or the phases of both ({@link SharpOffset}) must fall together. Another take of the same
 * phrase wavers by more than that.
 *
 * @param lagS how much later the recording's sound comes than the take's
 * @param likeness correlation of the rises of the level, 0 to 1
 */
public record TakeAlignment(double lagS, double likeness) {
    private static final int RATE_HZ = 16000;
    private static final int COARSE = 160;
    private static final int FINE = 32;
    private static final double SAME = 0.6;
    private static final double NEAR_S = 0.06;

    /** Empty where the take is of another performance. */
    public static Optional<TakeAlignment> of(Sound recording, Sound take) {
        Sound heard = recording.atRate(RATE_HZ);
        Sound played = take.atRate(RATE_HZ);
        Optional<PairedResponse> sharp = PairedResponse.of(heard, played);
        if (sharp.isPresent()) return Optional.of(new TakeAlignment(sharp.get().lagS(), 1));
        TakeAlignment best = nearest(heard, played);
        OptionalInt exact = SharpOffset.find(heard.mid(), played.mid(), RATE_HZ,
                (int) Math.round(best.lagS * RATE_HZ), NEAR_S);
        if (exact.isPresent()) return Optional.of(new TakeAlignment((double) exact.getAsInt() / RATE_HZ, 1));
        return best.likeness >= SAME ? Optional.of(best) : Optional.empty();
    }

    public static TakeAlignment nearest(Sound recording, Sound take) {
        float[] r = recording.atRate(RATE_HZ).mid();
        float[] d = take.atRate(RATE_HZ).mid();
        int coarse = bestShift(rises(r, COARSE), rises(d, COARSE), 0, Integer.MAX_VALUE);
        double[] a = rises(r, FINE);
        double[] b = rises(d, FINE);
        int ratio = COARSE / FINE;
        int fine = bestShift(a, b, coarse * ratio, 3 * ratio);
        return new TakeAlignment((double) fine * FINE / RATE_HZ, likeness(a, b, fine));
    }

    /** How much the level over four hops rises from hop to hop, dB, nothing where it falls or is soft. */
    private static double[] rises(float[] x, int hop) {
        double[] level = LevelCurve.of(x, 4 * hop, hop);
        double top = Arrays.stream(level).max().orElse(0);
        double[] out = new double[level.length];
        for (int t = 2; t < out.length; t++) {
            double floor = top - 40;
            out[t] = Math.max(0, Math.max(level[t], floor) - Math.max(level[t - 2], floor));
        }
        return out;
    }

    private static int bestShift(double[] a, double[] b, int around, int reach) {
        // Half of the recording at least must be covered by the take.
        int from = Math.max(around - reach, Math.min(0, a.length / 2 - b.length));
        int to = (int) Math.min(around + (long) reach, a.length / 2);
        int best = around;
        double most = -1;
        for (int s = from; s <= to; s++) {
            double v = likeness(a, b, s);
            if (v > most) {
                most = v;
                best = s;
            }
        }
        return best;
    }

    private static double likeness(double[] a, double[] b, int shift) {
        double ab = 0;
        double aa = 1e-9;
        double bb = 1e-9;
        for (int t = Math.max(0, shift); t < a.length && t - shift < b.length; t++) {
            ab += a[t] * b[t - shift];
            aa += a[t] * a[t];
            bb += b[t - shift] * b[t - shift];
        }
        return ab / Math.sqrt(aa * bb);
    }
}
