/** A tone with no record to copy: from what it begins, and what it shall be. */
@NullMarked
package verisonus.desktop.derive.own;

import org.jspecify.annotations.NullMarked;
