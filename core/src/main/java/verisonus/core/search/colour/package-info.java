/**
 * What the search compares of two sounds, and the equalizer that closes a difference of colour. Sound in, features and filters out.
 * Open {@link verisonus.core.search.colour.Features} first.
 *
 * <p>Units of the findings were set on how far two performances of one tone lie apart (DeriveReport in {@code bench}).
 */
@NullMarked
package verisonus.core.search.colour;

import org.jspecify.annotations.NullMarked;
