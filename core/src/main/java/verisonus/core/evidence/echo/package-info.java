/**
 * Is there an echo, how late, how loud, how often? Sound in, repeats out.
 * Open {@link verisonus.core.evidence.echo.EchoEstimator} first.
 *
 * <p>Limits were set on the cases of AccuracyReport in {@code bench}, weights by EchoTraining on other seeds.
 */
@NullMarked
package verisonus.core.evidence.echo;

import org.jspecify.annotations.NullMarked;
