/**
 * The bench Derive: below it the chain, the gap, the advice and the choices of the search, a package each. Open
 * {@link verisonus.desktop.derive.DeriveModel} first.
 */
@NullMarked
package verisonus.desktop.derive;

import org.jspecify.annotations.NullMarked;
