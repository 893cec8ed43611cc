/** What is read of a guitar among others: made mixes with their stems, measured and trained on. */
@NullMarked
package verisonus.bench.band;

import org.jspecify.annotations.NullMarked;
