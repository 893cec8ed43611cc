/**
 * How gear sounds: one processor a block, and the renderer that plays a dry guitar through a tone.
 * Open {@link verisonus.core.simulate.Renderer} first.
 */
@NullMarked
package verisonus.core.simulate;

import org.jspecify.annotations.NullMarked;
