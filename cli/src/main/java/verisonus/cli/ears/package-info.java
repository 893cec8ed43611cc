/** Commands that compare by ear. */
@NullMarked
package verisonus.cli.ears;

import org.jspecify.annotations.NullMarked;
