/**
 * What stands in the rests of a passage, and the gate with which a take rests as the record does. Limits are ours, from pairs with
 * and without noise and gate that the replay report in {@code bench} makes.
 */
@NullMarked
package verisonus.core.search.rests;

import org.jspecify.annotations.NullMarked;
