/**
 * The commands: what the window does, in a shell. Open {@link verisonus.cli.CommandLineProgram} first.
 */
@NullMarked
package verisonus.cli;

import org.jspecify.annotations.NullMarked;
