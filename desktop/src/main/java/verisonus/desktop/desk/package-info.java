/**
 * What lies on the desk: the open casebook, the open case and the work under way, as observable state without a node. The
 * benches and the shell show it. Open {@link verisonus.desktop.desk.Desk} first.
 */
@NullMarked
package verisonus.desktop.desk;

import org.jspecify.annotations.NullMarked;
