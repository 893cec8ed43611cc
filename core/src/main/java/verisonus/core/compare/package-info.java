/**
 * How two sounds differ, in units and in just-noticeable differences, at matched loudness.
 * Open {@link verisonus.core.compare.GapLedger} first.
 *
 * <p>Where a step names no source it is the middle of what is usually given for trained listeners, and is replaced by the player's own
 * steps once measured.
 */
@NullMarked
package verisonus.core.compare;

import org.jspecify.annotations.NullMarked;
