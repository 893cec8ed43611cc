/**
 * From the page to the real rig: one control at a time, then a recording says what is still off. Open
 * {@link verisonus.core.trial.setup.SetUpWalk} first.
 */
@NullMarked
package verisonus.core.trial.setup;

import org.jspecify.annotations.NullMarked;
