package verisonus.core.perform.song;

/**
 * A stretch of a song.
 *
 * @param name as verse, chorus
 * @param fromS where it begins
 * @param toS where it ends
 */
public record Section(String name, double fromS, double toS) {
    public Section {
        if (!(fromS >= 0 && toS > fromS))
            throw new IllegalArgumentException("a section goes from " + fromS + " to " + toS + " s");
    }

    public double durationS() {
        return toS - fromS;
    }
}
