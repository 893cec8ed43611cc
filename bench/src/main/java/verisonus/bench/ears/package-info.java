/** How well comparisons by ear judge, with listeners whose ears are known. */
@NullMarked
package verisonus.bench.ears;

import org.jspecify.annotations.NullMarked;
