/**
 * What would go wrong on a stage, found before it does. Open {@link verisonus.core.perform.check.StageChecks} first.
 */
@NullMarked
package verisonus.core.perform.check;

import org.jspecify.annotations.NullMarked;
