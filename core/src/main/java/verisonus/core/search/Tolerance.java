package verisonus.core.search;

import verisonus.core.rig.Control;

/**
 * How far one control can move before the change is heard.
 *
 * @param block id of the block
 * @param control its name
 * @param value as derived
 * @param low lowest value that sounds the same
 * @param high highest value that sounds the same
 * @param why the finding the value rests on
 */
public record Tolerance(String block, String control, double value, double low, double high, String why) {
    /** Whether it is heard at all: a control that can move from end to end is left as usual. */
    public boolean isHeard(Control c) {
        return c.position(low) > 0.01 || c.position(high) < 0.99;
    }
}
