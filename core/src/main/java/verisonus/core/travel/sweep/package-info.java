/**
 * A playback system measured with a sweep and a microphone. Open {@link verisonus.core.travel.sweep.SweepReport} first.
 *
 * <p>Limits say when a simulated loudspeaker and room came out wrong by more than half a decibel (TravelReport in {@code bench}).
 */
@NullMarked
package verisonus.core.travel.sweep;

import org.jspecify.annotations.NullMarked;
