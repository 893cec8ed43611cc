/**
 * Can two sounds be told apart? Answered by ears that see nothing. Open {@link verisonus.core.compare.blind.BlindTrial} first.
 */
@NullMarked
package verisonus.core.compare.blind;

import org.jspecify.annotations.NullMarked;
