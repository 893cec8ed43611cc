/** The window: one package a bench, the shell around them. Open {@link verisonus.desktop.shell.Window} first. */
@NullMarked
package verisonus.desktop;

import org.jspecify.annotations.NullMarked;
