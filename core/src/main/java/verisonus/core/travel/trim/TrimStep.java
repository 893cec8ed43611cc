package verisonus.core.travel.trim;

import verisonus.core.rig.ControlPlace;

/**
 * One control that a trim turns.
 *
 * @param place which
 * @param from where the tone has it
 * @param to where the trim puts it
 */
public record TrimStep(ControlPlace place, double from, double to) {}
