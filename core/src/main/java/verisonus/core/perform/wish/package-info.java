/** What if there is no record? A tone begun from a starting tone, and moved to a wish. Open {@link verisonus.core.perform.wish.WishSolver} first. */
@NullMarked
package verisonus.core.perform.wish;

import org.jspecify.annotations.NullMarked;
