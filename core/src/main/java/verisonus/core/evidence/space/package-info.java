/**
 * Is there a space and how long does it ring? Sound in, decay and level out.
 * Open {@link verisonus.core.evidence.space.ReverbEstimator} first.
 *
 * <p>Limits were set on the cases of AccuracyReport in {@code bench}, weights by EvidenceTraining on other seeds.
 */
@NullMarked
package verisonus.core.evidence.space;

import org.jspecify.annotations.NullMarked;
