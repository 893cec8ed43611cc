/** A phrase and the same phrase played again, held against each other moment by moment although the hands moved otherwise. */
@NullMarked
package verisonus.core.search.aligned;

import org.jspecify.annotations.NullMarked;
