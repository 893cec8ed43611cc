/**
 * The made-up casebook that ships: phrases, a physical model of strings that plays them, recipes that set the gear, and the
 * ready-made parts. Open {@link verisonus.demo.DemoCasebook} first, {@link verisonus.demo.Recipe} for how it was made.
 */
@NullMarked
package verisonus.demo;

import org.jspecify.annotations.NullMarked;
