/**
 * The open case as every view of its tone sees it: which tone and region, what is heard of them, and the one way in which a
 * changed tone is played, measured and kept. Open {@link verisonus.desktop.session.CaseSession} first.
 */
@NullMarked
package verisonus.desktop.session;

import org.jspecify.annotations.NullMarked;
