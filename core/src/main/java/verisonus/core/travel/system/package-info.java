/**
 * What recordings are heard on, as figures and as sound. Open {@link verisonus.core.travel.system.PlaybackSystem} first, then
 * {@link verisonus.core.travel.system.SystemSound}.
 *
 * <p>The shipped systems are drawn by ear after what such loudspeakers and rooms usually do; none is a measured device.
 */
@NullMarked
package verisonus.core.travel.system;

import org.jspecify.annotations.NullMarked;
