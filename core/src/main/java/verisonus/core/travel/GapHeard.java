package verisonus.core.travel;

/**
 * A difference to the record as it is on one playback system.
 *
 * @param gapDb mine against the record, loudness matched there
 * @param jnd just-noticeable differences
 * @param heard whether it can be heard there
 * @param why where it cannot: what hides it; empty otherwise
 */
public record GapHeard(NamedBand band, double gapDb, double jnd, boolean heard, String why) {}
