package verisonus.core.sound.codec;

import verisonus.core.sound.Sound;

/**
 * Which part of what a decoder gives is the recording: encoders put some samples in front and fill the last frame up.
 *
 * @param from first sample that is heard
 * @param frames how many are; {@link Long#MAX_VALUE} for all that follow
 */
record Shown(long from, long frames) {
    static final Shown ALL = new Shown(0, Long.MAX_VALUE);

    Sound of(SampleSink sink, int rateHz) {
        Sound all = new Sound(sink.channels(), rateHz);
        long start = Math.clamp(from, 0L, all.frames());
        long end = frames > all.frames() - start ? all.frames() : start + Math.max(0, frames);
        return start == 0 && end == all.frames() || end <= start ? all : all.sliceFrames((int) start, (int) end);
    }
}
