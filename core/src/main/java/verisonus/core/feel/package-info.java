/**
 * What a tone is like under the fingers and how to change it without being fooled: touch curve, exchanges at the same gain and loudness,
 * where the dirt is made. Open {@link verisonus.core.feel.Feel} first.
 */
@NullMarked
package verisonus.core.feel;

import org.jspecify.annotations.NullMarked;
