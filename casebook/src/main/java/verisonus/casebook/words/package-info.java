/**
 * What people read of a measurement: findings as sentences. Open {@link verisonus.casebook.words.EvidenceSentences} first.
 */
@NullMarked
package verisonus.casebook.words;

import org.jspecify.annotations.NullMarked;
