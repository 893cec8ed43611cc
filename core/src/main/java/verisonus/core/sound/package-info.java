/**
 * How sound is held and described: channels and rate in, samples, spectra and loudness out.
 * Knows no other package of the core but faults. Open {@link verisonus.core.sound.Sound} first.
 */
@NullMarked
package verisonus.core.sound;

import org.jspecify.annotations.NullMarked;
