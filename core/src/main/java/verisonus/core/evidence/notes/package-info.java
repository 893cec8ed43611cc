/**
 * What is played, apart from how it sounds: tempo and whether it holds, tuning, the beginnings of notes.
 * Open {@link verisonus.core.evidence.notes.TempoEstimator} first.
 *
 * <p>Limits were set on phrases of known notes and tempo (AccuracyReport in {@code bench}).
 */
@NullMarked
package verisonus.core.evidence.notes;

import org.jspecify.annotations.NullMarked;
