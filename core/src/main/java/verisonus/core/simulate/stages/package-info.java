/**
 * How what bends the wave sounds: clippers, valve stages, tone networks, and the raised rate at which they run.
 * Open {@link verisonus.core.simulate.stages.NonlinearStage} first.
 */
@NullMarked
package verisonus.core.simulate.stages;

import org.jspecify.annotations.NullMarked;
