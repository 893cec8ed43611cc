package verisonus.casebook.store;

import java.util.Locale;
import java.util.OptionalDouble;

/**
 * A recording in the part that it plays in a case.
 *
 * @param title in the player's words
 * @param hash of its content, under which the sound is stored
 * @param durationS length
 * @param laidS where on the studied reference's time axis a dry take begins, as its player laid it, seconds; empty: looked for
 */
public record Medium(long id, long caseId, Role role, String title, String hash, double durationS,
        OptionalDouble laidS) {
    /** What a recording is for. */
    public enum Role {
        /** The wanted sound is heard in it. */
        REFERENCE,
        /** Dry guitar. */
        DI,
        /** The rest of the band, without the guitar. */
        BACKING;

        String column() {
            return name().toLowerCase(Locale.ROOT);
        }

        static Role of(String column) {
            return valueOf(column.toUpperCase(Locale.ROOT));
        }
    }
}
