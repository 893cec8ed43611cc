/**
 * Where in the chain the effects of a derived tone sit. The margin is ours, from pairs with effects before and behind another chain that
 * the replay report in {@code bench} makes.
 */
@NullMarked
package verisonus.core.search.place;

import org.jspecify.annotations.NullMarked;
