/**
 * How what sways sounds: tremolo, moving delays, phaser, turning speaker, swept filter.
 * Open {@link verisonus.core.simulate.movements.MovingDelay} first.
 */
@NullMarked
package verisonus.core.simulate.movements;

import org.jspecify.annotations.NullMarked;
