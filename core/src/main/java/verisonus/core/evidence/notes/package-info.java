/**
 * What is played, apart from how it sounds: tempo and whether it holds, tuning, the beginnings of notes.
 * Open {@link verisonus.core.evidence.notes.TempoEstimator} first.
 */
@NullMarked
package verisonus.core.evidence.notes;

import org.jspecify.annotations.NullMarked;
