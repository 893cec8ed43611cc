package verisonus.core.evidence.notes;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.signs.OnsetCurve;
import verisonus.core.sound.Sound;

/**
 * A beginning in the recording: played, or what the echo adds.
 *
 * @param atS when, seconds from the region's start
 * @param strength how strongly it begins, 1 for the strongest
 * @param byEcho whether a repeat of an earlier note explains it
 */
public record PlayedNote(double atS, double strength, boolean byEcho) {
    private static final double NEAR_S = 0.028;

    /** All beginnings in time order. */
    public static List<PlayedNote> of(Sound sound, Optional<EchoReading> echo) {
        return of(OnsetCurve.of(sound), echo);
    }

    public static List<PlayedNote> of(OnsetCurve curve, Optional<EchoReading> echo) {
        double[] at = curve.onsetsS();
        double[] strength = new double[at.length];
        double top = 1e-9;
        for (int i = 0; i < at.length; i++) {
            int t = (int) Math.round((at[i] - curve.firstS()) / curve.hopS());
            strength[i] = curve.strength()[Math.clamp(t, 0, curve.strength().length - 1)];
            top = Math.max(top, strength[i]);
        }
        List<PlayedNote> out = new ArrayList<>();
        for (int i = 0; i < at.length; i++) {
            boolean copy = echo.isPresent() && copied(at, strength, i, echo.get(), out);
            out.add(new PlayedNote(at[i], strength[i] / top, copy));
        }
        return out;
    }

    /** An earlier played note stands one or more echo times before it and is stronger by about what a repeat loses. */
    private static boolean copied(double[] at, double[] strength, int i, EchoReading e, List<PlayedNote> before) {
        List<EchoReading> all = new ArrayList<>(List.of(e));
        e.second().ifPresent(all::add);
        for (EchoReading echo : all) {
            double gain = Math.pow(10, echo.levelDb() / 20);
            for (int n = 1; n <= 6; n++, gain *= echo.feedbackPercent() / 100) {
                double wanted = at[i] - n * echo.timeMs() / 1000;
                if (gain < 0.05 || wanted < -NEAR_S) break;
                for (int k = i - 1; k >= 0; k--) {
                    if (before.get(k).byEcho || Math.abs(at[k] - wanted) > NEAR_S) continue;
                    if (strength[i] < 0.85 * strength[k]) return true;
                }
            }
        }
        return false;
    }
}
