/**
 * What the recording says of the gear that made it: loudspeaker or none, kind of pickup, where along the way it was taken.
 * Open {@link verisonus.core.evidence.gear.CabinetEstimator} first.
 */
@NullMarked
package verisonus.core.evidence.gear;

import org.jspecify.annotations.NullMarked;
