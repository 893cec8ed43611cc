/**
 * Does it sound the same? Answered blind. Open {@link verisonus.desktop.trial.TrialModel} first.
 */
@NullMarked
package verisonus.desktop.trial;

import org.jspecify.annotations.NullMarked;
