/** The command {@code tone}: a tone where there is no record. Open {@link verisonus.cli.tone.ToneCommand} first. */
@NullMarked
package verisonus.cli.tone;

import org.jspecify.annotations.NullMarked;
