/**
 * What the search compares of two sounds, and the equalizer that closes a difference of colour. Sound in, features and filters out.
 * Open {@link verisonus.core.search.colour.Features} first.
 */
@NullMarked
package verisonus.core.search.colour;

import org.jspecify.annotations.NullMarked;
