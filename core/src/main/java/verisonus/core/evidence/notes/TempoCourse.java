package verisonus.core.evidence.notes;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import verisonus.core.sound.Sound;

/**
 * Whether the tempo holds: the tempo of overlapping stretches of eight seconds, each folded onto the whole's.
 *
 * @param atS middle of each stretch, seconds
 * @param bpm tempo there
 * @param driftPercent from the slowest to the fastest, without the outer tenth; 0 where there are fewer than three stretches
 */
public record TempoCourse(double[] atS, double[] bpm, double driftPercent) {
    private static final double STRETCH_S = 8;
    private static final double CLICK_PERCENT = 0.8;

    /** Whether it was played to a click, as far as can be seen. */
    public boolean isConstant() {
        return driftPercent <= CLICK_PERCENT;
    }

    public static TempoCourse of(Sound sound, double wholeBpm) {
        List<double[]> found = new ArrayList<>();
        for (double from = 0; from + STRETCH_S <= sound.durationS() + 0.01; from += STRETCH_S / 2) {
            double at = from;
            TempoEstimator.near(sound.slice(from, from + STRETCH_S), wholeBpm)
                    .ifPresent(bpm -> found.add(new double[]{at + STRETCH_S / 2, bpm}));
        }
        double[] at = found.stream().mapToDouble(f -> f[0]).toArray();
        double[] bpm = found.stream().mapToDouble(f -> f[1]).toArray();
        double[] sorted = bpm.clone();
        Arrays.sort(sorted);
        int cut = sorted.length / 10;
        double drift = sorted.length < 3
                ? 0
                : 100 * (sorted[sorted.length - 1 - cut] / sorted[cut] - 1);
        return new TempoCourse(at, bpm, drift);
    }
}
