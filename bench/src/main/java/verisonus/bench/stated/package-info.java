/** How far what is stated can be believed, by topic, on records whose effects and instruments the program does not share. */
@NullMarked
package verisonus.bench.stated;

import org.jspecify.annotations.NullMarked;
