package verisonus.demo;

/**
 * One note of a phrase.
 *
 * @param startS when it is picked
 * @param lengthS how long it is held; afterwards the string is stopped
 * @param string 0 the lowest
 * @param fret 0 the open string
 * @param strength 0 soft to 1 hard
 * @param muted with the picking hand's palm on the bridge
 */
record Note(double startS, double lengthS, int string, int fret, double strength, boolean muted) {}
