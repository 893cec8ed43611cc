/**
 * The tone on other playback systems. Open {@link verisonus.desktop.travel.TravelModel} first.
 */
@NullMarked
package verisonus.desktop.travel;

import org.jspecify.annotations.NullMarked;
