/**
 * Inks, type and drawing surfaces: the one place where colours and sizes stand. Open
 * {@link verisonus.desktop.theme.Theme} first.
 */
@NullMarked
package verisonus.desktop.theme;

import org.jspecify.annotations.NullMarked;
