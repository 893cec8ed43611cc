/**
 * What still differs between reference and mine, most audible first. Open {@link verisonus.desktop.derive.gap.GapModel} first.
 */
@NullMarked
package verisonus.desktop.derive.gap;

import org.jspecify.annotations.NullMarked;
