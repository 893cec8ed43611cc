/**
 * Open comparison: what is heard beside what, and where the difference is. Open {@link verisonus.core.trial.open.MomentGap} first.
 */
@NullMarked
package verisonus.core.trial.open;

import org.jspecify.annotations.NullMarked;
