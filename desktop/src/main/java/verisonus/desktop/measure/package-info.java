/**
 * What the recording shows, as sentences with the curve behind each. Open {@link verisonus.desktop.measure.MeasureModel} first.
 */
@NullMarked
package verisonus.desktop.measure;

import org.jspecify.annotations.NullMarked;
