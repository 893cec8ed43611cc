/**
 * What stands on a page, whatever it is written as. Open {@link verisonus.casebook.sheet.page.Page} first.
 */
@NullMarked
package verisonus.casebook.sheet.page;

import org.jspecify.annotations.NullMarked;
