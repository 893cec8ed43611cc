/**
 * A first walk through the program in which every step is done by the player in the real window. Open
 * {@link verisonus.desktop.walk.Walk} first.
 */
@NullMarked
package verisonus.desktop.walk;

import org.jspecify.annotations.NullMarked;
