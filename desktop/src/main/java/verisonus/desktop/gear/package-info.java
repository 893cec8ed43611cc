/** What the player owns. Open {@link verisonus.desktop.gear.GearModel} first. */
@NullMarked
package verisonus.desktop.gear;

import org.jspecify.annotations.NullMarked;
