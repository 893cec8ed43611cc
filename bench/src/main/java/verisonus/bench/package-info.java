/**
 * Measures of quality and speed; not part of the product. Open {@link verisonus.bench.SaturationTraining} first.
 */
@NullMarked
package verisonus.bench;

import org.jspecify.annotations.NullMarked;
