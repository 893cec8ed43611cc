/**
 * How evidence, tones, gaps and rigs are written to and read from JSON, in the documented schemas. Open
 * {@link verisonus.casebook.exchange.Json} first.
 */
@NullMarked
package verisonus.casebook.exchange;

import org.jspecify.annotations.NullMarked;
