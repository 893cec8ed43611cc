/**
 * How two sounds differ, in units and in just-noticeable differences, at matched loudness.
 * Open {@link verisonus.core.compare.GapLedger} first.
 */
@NullMarked
package verisonus.core.compare;

import org.jspecify.annotations.NullMarked;
