/**
 * What every running piece of gear is made of: the life cycle of a processor, delays, slow sines, filters in a row.
 * Open {@link verisonus.core.simulate.parts.Processor} first.
 */
@NullMarked
package verisonus.core.simulate.parts;

import org.jspecify.annotations.NullMarked;
