/**
 * How cabinet, speaker and microphone colour the sound: formula curves and measured responses.
 * Open {@link verisonus.core.simulate.loudspeaker.LoudspeakerCurve} first.
 */
@NullMarked
package verisonus.core.simulate.loudspeaker;

import org.jspecify.annotations.NullMarked;
