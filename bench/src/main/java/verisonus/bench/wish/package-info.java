/** How well is a wish met where there is no record? */
@NullMarked
package verisonus.bench.wish;

import org.jspecify.annotations.NullMarked;
