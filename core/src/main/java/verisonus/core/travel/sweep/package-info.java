/**
 * A playback system measured with a sweep and a microphone. Open {@link verisonus.core.travel.sweep.SweepReport} first.
 */
@NullMarked
package verisonus.core.travel.sweep;

import org.jspecify.annotations.NullMarked;
