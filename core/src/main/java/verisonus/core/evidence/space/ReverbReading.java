package verisonus.core.evidence.space;

import java.util.OptionalDouble;

/**
 * A space behind the sound.
 *
 * @param decayS time to fall by 60 dB, 200 Hz to 3.2 kHz
 * @param preDelayMs gap before it answers; absent where it cannot be read
 * @param levelDb energy of the tail against the dry sound; absent where it cannot be read
 * @param octavesS decay in the octaves around 283, 566, 1131 and 2263 Hz; empty where they cannot be told apart
 */
public record ReverbReading(double decayS, OptionalDouble preDelayMs, OptionalDouble levelDb, double[] octavesS) {
    /** A decay alone. */
    public ReverbReading(double decayS, OptionalDouble preDelayMs, OptionalDouble levelDb) {
        this(decayS, preDelayMs, levelDb, new double[0]);
    }

    public ReverbReading {
        if (!(decayS > 0)) throw new IllegalArgumentException("decay " + decayS + " s");
    }
}
