/**
 * Ears trained on the player's own tone. Open {@link verisonus.core.trial.train.Lesson} first.
 */
@NullMarked
package verisonus.core.trial.train;

import org.jspecify.annotations.NullMarked;
