package verisonus.core.travel;

/**
 * How one named band of a tone changes on a playback system, loudness matched.
 *
 * @param name in plain words
 * @param changeDb louder (above 0) or softer than on a flat system at the level the tone was made at
 */
public record BandChange(String name, double fromHz, double toHz, double changeDb) {}
