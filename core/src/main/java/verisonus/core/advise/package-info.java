/**
 * The questions that window and command line both ask of a tone and its gap: what to turn next, what the rig cannot reach, what is the
 * hand's, what each block contributes, which impulse response comes nearest. Open {@link verisonus.core.advise.NextMoves} first.
 */
@NullMarked
package verisonus.core.advise;

import org.jspecify.annotations.NullMarked;
