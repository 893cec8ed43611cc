/**
 * What a recording shows: one estimator a question, sound in, a finding with confidence and reason out.
 * Open {@link verisonus.core.evidence.Examination} first: it asks all questions of one region.
 */
@NullMarked
package verisonus.core.evidence;

import org.jspecify.annotations.NullMarked;
