/** Floor units that take settings over MIDI. Open {@link verisonus.desktop.floor.FloorSender} first. */
@NullMarked
package verisonus.desktop.floor;

import org.jspecify.annotations.NullMarked;
