package verisonus.core.search.colour;

import java.util.function.DoubleUnaryOperator;

/** Where a dry take has nothing that could be raised: a filter can only lift what is there, and elsewhere lifts its noise. */
public final class EmptyBands {
    /** A band this far under the take's strongest has nothing. */
    private static final double EMPTY_DB = -55;
    /** What a lift may do there, of each decibel that it does at most. */
    private static final double MOST_SHARE = 0.5;
    private static final double LEAST_LIFT_DB = 0.5;

    private final double[] hz = Features.LEVEL_BANDS.centresHz();
    private final boolean[] empty;

    public EmptyBands(boolean[] empty) {
        this.empty = empty.clone();
    }

    /** @param levelDb of the take by compared band */
    public static EmptyBands of(double[] levelDb) {
        double top = java.util.Arrays.stream(levelDb).max().orElse(0);
        boolean[] out = new boolean[levelDb.length];
        for (int b = 0; b < out.length; b++) out[b] = levelDb[b] < top + EMPTY_DB;
        return new EmptyBands(out);
    }

    /** Whether a curve lifts such a band by half or more of what it lifts any. */
    public boolean isLiftedBy(DoubleUnaryOperator gainDb) {
        double most = 0;
        double here = 0;
        for (int b = 0; b < hz.length; b++) {
            double lift = gainDb.applyAsDouble(hz[b]);
            most = Math.max(most, lift);
            if (empty[b]) here = Math.max(here, lift);
        }
        return most > LEAST_LIFT_DB && here > MOST_SHARE * most;
    }
}
