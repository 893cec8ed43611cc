/**
 * Can two sounds be told apart? Answered by ears that see nothing. Open {@link verisonus.core.trial.blind.BlindTrial} first.
 */
@NullMarked
package verisonus.core.trial.blind;

import org.jspecify.annotations.NullMarked;
