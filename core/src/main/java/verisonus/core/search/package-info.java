/**
 * Which settings make the candidate measure like the reference: the staged search from a reference and a dry guitar to a tone with
 * tolerances. Open {@link verisonus.core.search.ToneSearch} first.
 */
@NullMarked
package verisonus.core.search;

import org.jspecify.annotations.NullMarked;
