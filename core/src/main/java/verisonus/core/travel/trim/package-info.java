/**
 * The smallest change that brings a tone back on another playback system. Open {@link verisonus.core.travel.trim.TrimSolver}
 * first.
 */
@NullMarked
package verisonus.core.travel.trim;

import org.jspecify.annotations.NullMarked;
