/**
 * Which settings make the candidate measure like the reference: the staged search from a reference and a dry guitar to a tone with
 * tolerances. Open {@link verisonus.core.search.ToneSearch} first.
 *
 * <p>Shares that a further part must earn, units and stages were set on DeriveReport and on the even seeds of ReplayReport in
 * {@code bench}; controls start in the middle of what is useful.
 */
@NullMarked
package verisonus.core.search;

import org.jspecify.annotations.NullMarked;
