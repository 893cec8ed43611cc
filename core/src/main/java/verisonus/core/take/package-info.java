/**
 * Which part of a dry take is laid under which part of a reference, and whether both play the same: a take and a recording come in, a
 * {@link verisonus.core.take.Pairing} with its offset goes out. Open {@link verisonus.core.take.Alignment} first.
 *
 * <p>Limits were set on pairs of the same, of replayed and of other performances (DeriveReport and ReplayReport in {@code bench}).
 */
@NullMarked
package verisonus.core.take;

import org.jspecify.annotations.NullMarked;
