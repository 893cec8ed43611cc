/** Commands that hand a tone over to another player. */
@NullMarked
package verisonus.cli.handover;

import org.jspecify.annotations.NullMarked;
