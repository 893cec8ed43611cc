/**
 * Several parts at once: who hides whom, how far apart two takes are, and a second chain beside the first. Open
 * {@link verisonus.core.trial.layers.LayerMasking} first.
 */
@NullMarked
package verisonus.core.trial.layers;

import org.jspecify.annotations.NullMarked;
