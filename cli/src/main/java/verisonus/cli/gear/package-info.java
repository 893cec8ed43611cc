/** The command {@code gear}: the player's own devices, listed, described, checked and shared. Open {@link verisonus.cli.gear.GearCommand} first. */
@NullMarked
package verisonus.cli.gear;

import org.jspecify.annotations.NullMarked;
