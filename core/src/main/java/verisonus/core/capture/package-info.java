/**
 * The player's own amp: which simulated amp comes nearest to a real one, and what a take does not show of it yet.
 * Open {@link verisonus.core.capture.AmpCapture} first.
 *
 * <p>Limits were set on simulated amps with curves outside the dictionary.
 */
@NullMarked
package verisonus.core.capture;

import org.jspecify.annotations.NullMarked;
