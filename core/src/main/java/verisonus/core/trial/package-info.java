/**
 * Comparing by ear. Open {@link verisonus.core.trial.MatchedSounds} first: nothing is compared that is not as loud.
 */
@NullMarked
package verisonus.core.trial;

import org.jspecify.annotations.NullMarked;
