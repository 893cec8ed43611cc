/**
 * How work is carried: progress and cancelling, and what the user can mend: bad input and results that cannot be written, each with file, fault
 * and remedy. Comes in: what a loop does; goes out: how far it is, or a typed fault. Open {@link verisonus.core.work.InputFault} first.
 */
@NullMarked
package verisonus.core.work;

import org.jspecify.annotations.NullMarked;
