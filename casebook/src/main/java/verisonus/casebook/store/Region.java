package verisonus.casebook.store;

import java.util.Locale;

/**
 * A part of a recording that is studied.
 *
 * @param role what it is good for
 * @param fromS start, seconds from the recording's start
 * @param toS end, after the start
 */
public record Region(long id, long mediumId, Role role, double fromS, double toS) {
    /** What a region is good for. */
    public enum Role {
        CORE_TONE,
        ECHO_TAIL,
        NOISE,
        RHYTHM,
        LEAD;

        public String words() {
            return name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }

        static Role of(String words) {
            return valueOf(words.toUpperCase(Locale.ROOT).replace(' ', '_'));
        }
    }

    public Region {
        if (!(fromS >= 0) || !(toS > fromS)) throw new IllegalArgumentException("region from " + fromS + " to " + toS);
    }

    public double lengthS() {
        return toS - fromS;
    }
}
