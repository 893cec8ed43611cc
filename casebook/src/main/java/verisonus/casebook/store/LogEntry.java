package verisonus.casebook.store;

import java.time.Instant;
import java.util.OptionalDouble;
import java.util.OptionalLong;

/**
 * One change that was made.
 *
 * @param text what was done, in the player's words
 * @param undone whether it is taken back at the moment
 * @param caseId the case it belongs to
 * @param gapBeforeJnd the tone's most audible difference before it, where it changed a tone
 * @param gapAfterJnd the same after it
 * @param note what the player put beside it; empty where nothing
 */
public record LogEntry(long id, Instant at, String text, boolean undone, OptionalLong caseId,
        OptionalDouble gapBeforeJnd, OptionalDouble gapAfterJnd, String note) {
    /** By how much it brought the tone nearer, JND; absent where the tone was new or is none of its business. */
    public OptionalDouble gainedJnd() {
        return gapBeforeJnd.isPresent() && gapAfterJnd.isPresent()
                ? OptionalDouble.of(gapBeforeJnd.getAsDouble() - gapAfterJnd.getAsDouble())
                : OptionalDouble.empty();
    }
}
