/**
 * What the commands print, held against computations of another making: formulas of the standards, brute force, simulated listeners,
 * spectra that are summed bin by bin. Open {@link verisonus.bench.check.CheckReport} first; it prints the largest error of each figure.
 */
@NullMarked
package verisonus.bench.check;

import org.jspecify.annotations.NullMarked;
