/**
 * The page as it will print, and the logbook. Open {@link verisonus.desktop.sheet.SheetModel} first.
 */
@NullMarked
package verisonus.desktop.sheet;

import org.jspecify.annotations.NullMarked;
