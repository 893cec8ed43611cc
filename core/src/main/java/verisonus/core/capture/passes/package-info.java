/**
 * A device of the player's own learnt by playing through it once: one file goes out, one recording comes back, the controls turned in
 * its pauses. Open {@link verisonus.core.capture.passes.DeviceLearning} first.
 */
@NullMarked
package verisonus.core.capture.passes;

import org.jspecify.annotations.NullMarked;
