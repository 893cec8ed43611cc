/**
 * How small a change does this listener hear? Open {@link verisonus.core.trial.step.StepSearch} first.
 */
@NullMarked
package verisonus.core.trial.step;

import org.jspecify.annotations.NullMarked;
