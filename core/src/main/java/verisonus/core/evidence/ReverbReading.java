package verisonus.core.evidence;

import java.util.OptionalDouble;

/**
 * A space behind the sound.
 *
 * @param decayS time to fall by 60 dB, 200 Hz to 3.2 kHz
 * @param preDelayMs gap before it answers; absent where it cannot be read
 * @param levelDb energy of the tail against the dry sound; absent where it cannot be read
 */
public record ReverbReading(double decayS, OptionalDouble preDelayMs, OptionalDouble levelDb) {
    public ReverbReading {
        if (!(decayS > 0)) throw new IllegalArgumentException("decay " + decayS + " s");
    }
}
