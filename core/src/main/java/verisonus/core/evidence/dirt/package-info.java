/**
 * How driven a sound is and how its wave is bent: sound in, an index from 0 (clean) to 1 (clipped) out.
 * Open {@link verisonus.core.evidence.dirt.SaturationEstimator} first.
 *
 * <p>Weights and limits come from SaturationTraining in {@code bench}, checked on performances left out.
 */
@NullMarked
package verisonus.core.evidence.dirt;

import org.jspecify.annotations.NullMarked;
