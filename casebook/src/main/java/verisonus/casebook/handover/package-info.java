/**
 * A tone in one file for another player: settings, devices, sheet, the linear part as impulse responses. Writes and reads open formats in a
 * zip; a file from somebody else is believed in nothing. Open {@link verisonus.casebook.handover.TonePackage} first.
 */
@NullMarked
package verisonus.casebook.handover;

import org.jspecify.annotations.NullMarked;
