package verisonus.core.evidence.study;

/**
 * A stretch of a recording that is worth studying.
 *
 * @param purpose what it is good for
 * @param fromS start, seconds
 * @param toS end
 * @param score 0 to 1: how good it is for that
 * @param reason why, one line
 */
public record Passage(Purpose purpose, double fromS, double toS, double score, String reason) {
    /** What a stretch is good for. */
    public enum Purpose {
        CORE_TONE,
        ECHO_TAIL,
        NOISE
    }

    public Passage {
        if (!(toS > fromS)) throw new IllegalArgumentException("passage from " + fromS + " to " + toS);
    }
}
