/** Devices of the player's own as documents: what of a model they have, what they call it, and what stands round their controls. */
@NullMarked
package verisonus.casebook.exchange.device;

import org.jspecify.annotations.NullMarked;
