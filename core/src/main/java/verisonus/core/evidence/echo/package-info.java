/**
 * Is there an echo, how late, how loud, how often? Sound in, repeats out.
 * Open {@link verisonus.core.evidence.echo.EchoEstimator} first.
 */
@NullMarked
package verisonus.core.evidence.echo;

import org.jspecify.annotations.NullMarked;
