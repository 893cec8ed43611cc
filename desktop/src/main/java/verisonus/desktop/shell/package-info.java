/**
 * The frame around the benches: margin, thread, listening bar, keys. Open {@link verisonus.desktop.shell.Window} first.
 */
@NullMarked
package verisonus.desktop.shell;

import org.jspecify.annotations.NullMarked;
