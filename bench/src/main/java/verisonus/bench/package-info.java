/**
 * Measures of quality and speed; not part of the product. Open {@link verisonus.bench.AccuracyReport} first: cases with
 * known truth, how right the evidence is, how far its confidence can be believed.
 */
@NullMarked
package verisonus.bench;

import org.jspecify.annotations.NullMarked;
