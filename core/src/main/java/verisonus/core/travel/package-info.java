/**
 * How a tone changes from one playback system to another, and how loud for how long is safe.
 * Open {@link verisonus.core.travel.Journey} first.
 */
@NullMarked
package verisonus.core.travel;

import org.jspecify.annotations.NullMarked;
