/** Commands for playing a tone tonight. Open {@link verisonus.cli.perform.VariantsCommand} first. */
@NullMarked
package verisonus.cli.perform;

import org.jspecify.annotations.NullMarked;
