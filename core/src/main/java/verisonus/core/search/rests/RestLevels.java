package verisonus.core.search.rests;

import java.util.Arrays;
import verisonus.core.sound.LevelCurve;
import verisonus.core.sound.Sound;

/**
 * How soft the soft parts of a passage are: the lower quantiles of its level in frames of 10 ms, against its loud parts. It needs no
 * notes in step, so that two performances of one phrase can be compared; what lies more than 65 dB under the loud parts is silent.
 *
 * @param db quantiles from 1 to 60 %, dB against the 95 % quantile
 */
public record RestLevels(double[] db) {
    private static final int RATE_HZ = 16_000;
    private static final int FRAME = 160;
    private static final int HOP = 80;
    private static final double SILENT_DB = -65;
    private static final double RESTS_DB = -35;
    private static final int QUANTILES = 60;
    private static final double LOUD = 0.95;

    /** @param sound of half a second or more; a shorter one is silent throughout */
    public static RestLevels of(Sound sound) {
        double[] level = LevelCurve.of(sound.atRate(RATE_HZ).mid(), FRAME, HOP);
        double[] out = new double[QUANTILES];
        Arrays.fill(out, SILENT_DB);
        if (level.length < QUANTILES) return new RestLevels(out);
        Arrays.sort(level);
        double loud = level[(int) (LOUD * (level.length - 1))];
        for (int i = 0; i < QUANTILES; i++)
            out[i] = Math.max(SILENT_DB, level[(int) (0.01 * (i + 1) * (level.length - 1))] - loud);
        return new RestLevels(out);
    }

    /** Mean difference to another where either rests, dB; 0 where neither does. */
    public double distanceDb(RestLevels other) {
        double sum = 0;
        int rests = 0;
        for (int i = 0; i < QUANTILES; i++) {
            if (Math.min(db[i], other.db[i]) > RESTS_DB) continue;
            sum += Math.abs(db[i] - other.db[i]);
            rests++;
        }
        return rests == 0 ? 0 : sum / rests;
    }

    /** How much softer the softest parts of another are, dB; negative where they are louder. */
    public double overDb(RestLevels other) {
        return db[0] - other.db[0];
    }
}
