package verisonus.core.plan;

import java.util.OptionalInt;

/**
 * How many repeats of an echo are heard: repeat n sits at L + 20·(n−1)·log10 f, audible above a floor.
 *
 * @param levelDb first repeat against the sound
 * @param floorDb below this a repeat is not heard
 */
public record Repeats(double levelDb, double floorDb) {
    /** Forty decibels under the sound. */
    public static final double DEFAULT_FLOOR_DB = -40;

    /** Audible repeats at a feedback; empty where they never end. */
    public OptionalInt audible(double feedbackPercent) {
        if (levelDb < floorDb) return OptionalInt.of(0);
        if (feedbackPercent >= 100) return OptionalInt.empty();
        if (feedbackPercent <= 0) return OptionalInt.of(1);
        double fallDb = -20 * Math.log10(feedbackPercent / 100);
        return OptionalInt.of(1 + (int) Math.min(9999, Math.floor((levelDb - floorDb) / fallDb + 1e-9)));
    }

    /** The least feedback at which this many repeats are audible. */
    public double leastFeedbackPercent(int count) {
        if (count <= 1) return 0;
        return 100 * Math.pow(10, (floorDb - levelDb) / (20.0 * (count - 1)));
    }
}
