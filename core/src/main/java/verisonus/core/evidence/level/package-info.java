/**
 * How loud, how even, how coloured and how wide a region is: sound in, levels, noise, hum, dynamics, spectrum and stereo out.
 * Open {@link verisonus.core.evidence.level.LevelEstimator} first.
 *
 * <p>Loudness follows EBU R 128 and ITU-R BS.1770; other limits were set on the cases of AccuracyReport in {@code bench}.
 */
@NullMarked
package verisonus.core.evidence.level;

import org.jspecify.annotations.NullMarked;
