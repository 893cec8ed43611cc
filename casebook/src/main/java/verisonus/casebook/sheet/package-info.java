/**
 * The page that lets somebody set the tone up again, as Markdown and HTML. Open
 * {@link verisonus.casebook.sheet.ToneSheet} first.
 */
@NullMarked
package verisonus.casebook.sheet;

import org.jspecify.annotations.NullMarked;
