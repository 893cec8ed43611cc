/**
 * How gear sounds: one processor a block, and the renderer that plays a dry guitar through a tone.
 * Open {@link verisonus.core.simulate.Renderer} first.
 *
 * <p>Values of parts are those usual in such circuits, rounded; tapers and ranges were set by ear so that the middle is useful.
 */
@NullMarked
package verisonus.core.simulate;

import org.jspecify.annotations.NullMarked;
