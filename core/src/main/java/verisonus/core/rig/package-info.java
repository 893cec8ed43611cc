/**
 * What gear is: models with their controls, a tone as blocks with settings, and the gear a player owns.
 * The window, the command line, the sheet and the search all read controls here. Open
 * {@link verisonus.core.rig.Gear} first.
 */
@NullMarked
package verisonus.core.rig;

import org.jspecify.annotations.NullMarked;
