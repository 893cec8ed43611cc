package verisonus.core.evidence.replay;

import java.util.Arrays;
import java.util.OptionalDouble;
import verisonus.core.evidence.movement.ModulationKind;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.movement.PitchSway;
import verisonus.core.evidence.signs.BandLevels;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;

/**
 * Does the pitch sway at one rate through all notes? A finger begins anew on every note, a machine does not. Output: rate in Hz, swing
 * of the pitch to either side in cents as the depth's figure. Chance is judged by {@link SignedNotes}.
 */
final class PitchSwayAcrossNotes {
    private static final double SLOWEST_HZ = 3;
    private static final double FASTEST_HZ = 8;
    private static final double STEP_HZ = 0.05;
    private static final int SETTLED = 6;
    private static final double MOST_CENTS = 8;
    private static final int FEWEST = 15;
    private static final int DRAWS = 60;
    /** Through many notes a small share is beyond chance; of few, the sway must be most of what moves. */
    private static final double Z = 5;
    private static final double LEAST_SHARE = 0.09;
    private static final double FEW_Z = 4;
    private static final double FEW_SHARE = 0.35;
    private static final double LEAST_CENTS = 3;

    private PitchSwayAcrossNotes() {}

    static Finding<ModulationReading> find(Sound recording, int[] starts, boolean[] asked) {
        double[] cents = PitchSway.of(recording.atRate(BandLevels.RATE_HZ).mid()).cents();
        int notes = starts.length;
        double[] course = new double[cents.length];
        int[] note = new int[cents.length];
        Arrays.fill(note, -1);
        double total = 0;
        for (int n = 0; n < notes; n++) {
            int from = starts[n] + SETTLED;
            int to = Math.min(cents.length, n + 1 < notes ? starts[n + 1] - 1 : cents.length);
            if (to - from < FEWEST || !asked[Math.min(asked.length - 1, from)]) continue;
            double[] c = changes(cents, from, to);
            for (int t = from; t < to; t++) {
                course[t] = c[t - from];
                note[t] = n;
                total += course[t] * course[t];
            }
        }
        return judged(course, note, notes, total);
    }

    /** Change of pitch over the note from hop to hop, its mean taken off: a slide is no sway. */
    private static double[] changes(double[] cents, int from, int to) {
        double[] y = new double[to - from];
        double sum = 0;
        int n = 0;
        for (int i = 0; i < y.length; i++) {
            double c = cents[from + i];
            if (Double.isNaN(c)) continue;
            y[i] = Math.clamp(c, -MOST_CENTS, MOST_CENTS);
            sum += y[i];
            n++;
        }
        for (int i = 0; i < y.length; i++) if (!Double.isNaN(cents[from + i])) y[i] -= sum / Math.max(1, n);
        return y;
    }

    private static Finding<ModulationReading> judged(double[] course, int[] note, int notes, double total) {
        Finding<ModulationReading> none = Finding.absent(0.8,
                "the pitch sways at no rate that goes on through the notes");
        if (total <= 0 || notes == 0) return Finding.unknown("no note is held for long enough");
        int rates = (int) Math.round((FASTEST_HZ - SLOWEST_HZ) / STEP_HZ) + 1;
        double[][] cos = new double[rates][notes];
        double[][] sin = new double[rates][notes];
        double[] energy = new double[rates];
        for (int r = 0; r < rates; r++) {
            double w = 2 * Math.PI * (SLOWEST_HZ + r * STEP_HZ) * BandLevels.HOP_S;
            for (int t = 0; t < course.length; t++) {
                if (note[t] < 0) continue;
                cos[r][note[t]] += course[t] * Math.cos(w * t);
                sin[r][note[t]] += course[t] * Math.sin(w * t);
                energy[r] += 0.5;
            }
        }
        double[] plain = new double[notes];
        Arrays.fill(plain, 1);
        int best = 0;
        for (int r = 1; r < rates; r++)
            if (power(cos[r], sin[r], plain) > power(cos[best], sin[best], plain)) best = r;
        double share = power(cos[best], sin[best], plain) / energy[best] / total;
        SignedNotes chance = new SignedNotes(notes, DRAWS);
        double[] drawn = new double[DRAWS];
        for (int d = 0; d < DRAWS; d++)
            for (int r = 0; r < rates; r++)
                drawn[d] = Math.max(drawn[d], power(cos[r], sin[r], chance.draw(d)) / energy[r] / total);
        double z = SignedNotes.Standing.of(share, drawn).z();
        double hz = SLOWEST_HZ + best * STEP_HZ;
        double swing = Math.sqrt(power(cos[best], sin[best], plain)) / energy[best]
                / (2 * Math.PI * hz * BandLevels.HOP_S);
        boolean steady = z >= Z && share >= LEAST_SHARE || z >= FEW_Z && share >= FEW_SHARE;
        if (!steady || swing < LEAST_CENTS) return none;
        return Finding.present(new ModulationReading(ModulationKind.VIBRATO, OptionalDouble.of(hz),
                OptionalDouble.of(Math.min(100, swing))), 0.85,
                Figures.of("the pitch sways %.1f cents to either side, %.2f times a second, on through all notes",
                        swing,
                        hz));
    }

    private static double power(double[] cos, double[] sin, double[] signs) {
        double c = 0;
        double s = 0;
        for (int n = 0; n < cos.length; n++) {
            c += signs[n] * cos[n];
            s += signs[n] * sin[n];
        }
        return c * c + s * s;
    }
}
