package verisonus.desktop.player;

import verisonus.core.sound.Sound;

/**
 * A sound on the case's time axis.
 *
 * @param sound at the player's rate
 * @param startFrame where on the axis its first frame stands, may be negative
 * @param gain amplitude that matches its loudness to the reference's
 */
record Track(Sound sound, long startFrame, float gain) {
    float left(long frame) {
        return at(0, frame);
    }

    float right(long frame) {
        return at(sound.channels().length - 1, frame);
    }

    private float at(int channel, long frame) {
        long i = frame - startFrame;
        return i < 0 || i >= sound.frames() ? 0 : gain * sound.channel(channel)[(int) i];
    }
}
