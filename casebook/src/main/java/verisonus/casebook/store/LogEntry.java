package verisonus.casebook.store;

import java.time.Instant;

/**
 * One change that was made.
 *
 * @param text what was done, in the player's words
 * @param undone whether it is taken back at the moment
 */
public record LogEntry(long id, Instant at, String text, boolean undone) {}
