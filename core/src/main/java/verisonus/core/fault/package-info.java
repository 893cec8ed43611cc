/**
 * What the user can mend: bad input and results that cannot be written, each with file, fault and remedy.
 * Open {@link verisonus.core.fault.InputFault} first.
 */
@NullMarked
package verisonus.core.fault;

import org.jspecify.annotations.NullMarked;
