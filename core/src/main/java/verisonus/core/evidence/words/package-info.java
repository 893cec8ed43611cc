/**
 * Words and claims against what was measured: traits and the words defined by them, what is said of a record's gear, what several
 * recordings have in common. Open {@link verisonus.core.evidence.words.Trait} first.
 */
@NullMarked
package verisonus.core.evidence.words;

import org.jspecify.annotations.NullMarked;
