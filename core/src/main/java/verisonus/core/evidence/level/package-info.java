/**
 * How loud, how even, how coloured and how wide a region is: sound in, levels, noise, hum, dynamics, spectrum and stereo out.
 * Open {@link verisonus.core.evidence.level.LevelEstimator} first.
 */
@NullMarked
package verisonus.core.evidence.level;

import org.jspecify.annotations.NullMarked;
