/**
 * What recordings are heard on, as figures and as sound. Open {@link verisonus.core.travel.system.PlaybackSystem} first, then
 * {@link verisonus.core.travel.system.SystemSound}.
 */
@NullMarked
package verisonus.core.travel.system;

import org.jspecify.annotations.NullMarked;
