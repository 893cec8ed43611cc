/**
 * What moves the sound to and fro, and how fast? Sound in, kind, rate and depth out.
 * Open {@link verisonus.core.evidence.movement.ModulationEstimator} first.
 *
 * <p>Limits were set on the cases of AccuracyReport in {@code bench}, weights by EvidenceTraining on other seeds; rates are those at which
 * movements are built, 0.1 to 12 Hz.
 */
@NullMarked
package verisonus.core.evidence.movement;

import org.jspecify.annotations.NullMarked;
