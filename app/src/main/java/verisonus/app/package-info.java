/** The program: all commands and the window, put together. */
@NullMarked
package verisonus.app;

import org.jspecify.annotations.NullMarked;
