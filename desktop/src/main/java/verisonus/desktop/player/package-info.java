/**
 * What is heard: reference, mine and the DI on one time axis, matched in loudness, switched without a click. Open
 * {@link verisonus.desktop.player.Player} first.
 */
@NullMarked
package verisonus.desktop.player;

import org.jspecify.annotations.NullMarked;
