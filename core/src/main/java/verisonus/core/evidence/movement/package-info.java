/**
 * What moves the sound to and fro, and how fast? Sound in, kind, rate and depth out.
 * Open {@link verisonus.core.evidence.movement.ModulationEstimator} first.
 */
@NullMarked
package verisonus.core.evidence.movement;

import org.jspecify.annotations.NullMarked;
