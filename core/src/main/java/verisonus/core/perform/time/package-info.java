/**
 * What belongs to the beat? Open {@link verisonus.core.perform.time.RhythmPlan} first.
 *
 * <p>Limits were set on phrases whose notes are known to the sample.
 */
@NullMarked
package verisonus.core.perform.time;

import org.jspecify.annotations.NullMarked;
