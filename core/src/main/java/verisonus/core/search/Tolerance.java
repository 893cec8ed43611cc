package verisonus.core.search;

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
public record Tolerance(String block, String control, double value, double low, double high, String why) {}
