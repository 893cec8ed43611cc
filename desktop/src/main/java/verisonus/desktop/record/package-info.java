/** Recording a dry take along with the reference: inputs, the recorder, its panel. Open {@link verisonus.desktop.record.Recorder} first. */
@NullMarked
package verisonus.desktop.record;

import org.jspecify.annotations.NullMarked;
