package verisonus.core.evidence.notes;

import java.util.Optional;
import verisonus.core.sound.Sound;

/**
 * Near which tempo to look: where somebody says one, what was said, unless the recording itself holds another that is steadier.
 *
 * @param bpm to look near
 * @param doubted whether what was said does not fit and was left aside
 */
public record TempoHint(double bpm, boolean doubted) {
    /** A beat may be counted at these multiples of what was found, and still be the same. */
    private static final double[] COUNTED = {1, 2, 0.5, 3, 1 / 3.0, 1.5, 2 / 3.0, 4 / 3.0, 0.75};
    /** What was said may be this far off one of them: a beat is looked for 6 % round it. */
    private static final double NEAR = 0.05;

    public static TempoHint of(Sound sound, double saidBpm) {
        Optional<TempoReading> found = TempoEstimator.estimate(sound).value();
        if (found.isEmpty()) return new TempoHint(saidBpm, false);
        double itself = found.get().bpm();
        for (double times : COUNTED) {
            if (Math.abs(saidBpm / (times * itself) - 1) <= NEAR) return new TempoHint(times * itself, false);
        }
        boolean steadier = TempoCourse.of(sound, itself).driftPercent() <= TempoCourse.of(sound, saidBpm)
                .driftPercent();
        return steadier ? new TempoHint(itself, true) : new TempoHint(saidBpm, false);
    }
}
