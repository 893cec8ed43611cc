/**
 * How well a real amp is learnt, on made-up amps of other design than the simulated ones. Open
 * {@link verisonus.bench.gear.CaptureReport} first.
 */
@NullMarked
package verisonus.bench.gear;

import org.jspecify.annotations.NullMarked;
