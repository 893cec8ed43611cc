package verisonus.core.sound.codec;

import java.util.List;

/**
 * A track of sound in an MP4 file.
 *
 * @param config AAC's audio specific config; empty where the sound is of another kind
 * @param rateHz units of time a second, as the track counts it
 * @param samples where its frames stand
 * @param shown what of it is heard, in those units
 */
record Mp4Track(byte[] config, long rateHz, List<Sample> samples, Shown shown) {
    /**
     * A frame.
     *
     * @param at first byte
     * @param length bytes
     */
    record Sample(long at, int length) {}
}
