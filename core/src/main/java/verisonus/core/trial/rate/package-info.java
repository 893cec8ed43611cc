/**
 * Several sounds rated or picked without their names. Open {@link verisonus.core.trial.rate.RatingTrial} first.
 */
@NullMarked
package verisonus.core.trial.rate;

import org.jspecify.annotations.NullMarked;
