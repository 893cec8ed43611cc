/**
 * What people read: findings as sentences, and the tone sheet as Markdown and HTML. Open
 * {@link verisonus.casebook.sheet.EvidenceSentences} first.
 */
@NullMarked
package verisonus.casebook.sheet;

import org.jspecify.annotations.NullMarked;
