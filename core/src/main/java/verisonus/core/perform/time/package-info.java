/** What belongs to the beat? Open {@link verisonus.core.perform.time.RhythmPlan} first. */
@NullMarked
package verisonus.core.perform.time;

import org.jspecify.annotations.NullMarked;
