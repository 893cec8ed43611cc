/**
 * What does a player need to play a tone tonight? Variants that belong together; in {@code time}, {@code foot}, {@code song} and
 * {@code device} the clock, the pedal, the song and other gear. Open {@link verisonus.core.perform.VariantSolver} first.
 */
@NullMarked
package verisonus.core.perform;

import org.jspecify.annotations.NullMarked;
