/**
 * The same page as PDF, HTML, Markdown and CSV. Open {@link verisonus.casebook.sheet.write.PdfPage} first.
 */
@NullMarked
package verisonus.casebook.sheet.write;

import org.jspecify.annotations.NullMarked;
