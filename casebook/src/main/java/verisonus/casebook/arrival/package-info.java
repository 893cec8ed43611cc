/** What a file that the player hands over is. Open {@link verisonus.casebook.arrival.ArrivedFile} first. */
@NullMarked
package verisonus.casebook.arrival;

import org.jspecify.annotations.NullMarked;
