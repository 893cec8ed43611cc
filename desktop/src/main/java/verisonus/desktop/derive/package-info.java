/**
 * The tone as ruled scales and what still differs. Open {@link verisonus.desktop.derive.DeriveModel} first.
 */
@NullMarked
package verisonus.desktop.derive;

import org.jspecify.annotations.NullMarked;
