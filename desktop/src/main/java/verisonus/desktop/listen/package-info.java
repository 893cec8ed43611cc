/**
 * Choosing what to study: ribbons over the time axis and regions marked on them. Open {@link verisonus.desktop.listen.ListenModel} first.
 */
@NullMarked
package verisonus.desktop.listen;

import org.jspecify.annotations.NullMarked;
