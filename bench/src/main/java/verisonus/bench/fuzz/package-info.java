/**
 * Hostile files, by seeds. Open {@link verisonus.bench.fuzz.FuzzReport} first.
 */
@NullMarked
package verisonus.bench.fuzz;

import org.jspecify.annotations.NullMarked;
