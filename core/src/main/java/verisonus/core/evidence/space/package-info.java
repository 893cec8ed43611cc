/**
 * Is there a space and how long does it ring? Sound in, decay and level out.
 * Open {@link verisonus.core.evidence.space.ReverbEstimator} first.
 */
@NullMarked
package verisonus.core.evidence.space;

import org.jspecify.annotations.NullMarked;
