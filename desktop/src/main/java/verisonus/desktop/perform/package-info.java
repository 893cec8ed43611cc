/** The perform bench: variants, time, pedals, the song, other gear. Open {@link verisonus.desktop.perform.PerformView} first. */
@NullMarked
package verisonus.desktop.perform;

import org.jspecify.annotations.NullMarked;
