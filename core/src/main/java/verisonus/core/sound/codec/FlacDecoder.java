package verisonus.core.sound.codec;

import verisonus.core.sound.Sound;

import verisonus.core.sound.codec.FlacBits.Damage;

/**
 * FLAC, 4 to 32 bit (RFC 9639). A frame that does not agree with its checksum is passed over: silence stands in its place, and a
 * warning says so. Ours, since no kept library could be brought to end on damaged files.
 */
final class FlacDecoder {
    private static final int STREAM_INFO = 34;
    private static final int FIRST_FRAME = 8 + STREAM_INFO;

    private final AudioBytes bytes;

    FlacDecoder(AudioBytes bytes) {
        this.bytes = bytes;
    }

    DecodedSound decode() {
        byte[] d = bytes.data();
        if (d.length < FIRST_FRAME || (d[4] & 0x7F) != 0 || length(4) != STREAM_INFO)
            throw bytes.fault("the FLAC header is missing");
        int largestBlock = (d[10] & 0xFF) << 8 | d[11] & 0xFF;
        int rateHz = (d[18] & 0xFF) << 12 | (d[19] & 0xFF) << 4 | (d[20] & 0xFF) >> 4;
        int channels = ((d[20] & 0x0E) >> 1) + 1;
        int bits = ((d[20] & 1) << 4 | (d[21] & 0xFF) >> 4) + 1;
        long promised = (d[21] & 0x0FL) << 32 | (d[22] & 0xFFL) << 24 | (d[23] & 0xFF) << 16 | (d[24] & 0xFF) << 8
                | d[25] & 0xFF;
        bytes.requireShape(channels, rateHz);
        FlacFrame frame = new FlacFrame(d, channels, bits, largestBlock);
        SampleSink sink = new SampleSink(channels);
        int bad = gather(frame, sink, new DecodingBudget(bytes, promised), 1f / (1L << bits - 1), firstFrame());
        if (sink.frames() == 0) throw bytes.fault("no FLAC sound could be read in it");
        Sound sound = new Sound(sink.channels(), rateHz);
        DecodedSound decoded = new DecodedSound(promised > 0 && sound.frames() > promised
                ? sound.sliceFrames(0, (int) promised)
                : sound);
        if (promised > sound.frames())
            return decoded.warning("damaged: " + sound.frames() + " of " + promised + " samples could be read");
        return bad > 0 ? decoded.warning("damaged: silence stands where a part could not be read") : decoded;
    }

    /** Length of the block whose head stands here. */
    private int length(int at) {
        byte[] d = bytes.data();
        return (d[at + 1] & 0xFF) << 16 | (d[at + 2] & 0xFF) << 8 | d[at + 3] & 0xFF;
    }

    /** Behind all that describes: pictures, lists and words are none of ours. */
    private int firstFrame() {
        byte[] d = bytes.data();
        int at = FIRST_FRAME;
        boolean last = (d[4] & 0x80) != 0;
        while (!last && at + 4 <= d.length) {
            last = (d[at] & 0x80) != 0;
            at = (int) Math.min(d.length, at + 4L + length(at));
        }
        return at;
    }

    /** @return how many places could not be read */
    private int gather(FlacFrame frame, SampleSink sink, DecodingBudget budget, float scale, int from) {
        int damaged = 0;
        boolean lost = false;
        int at = frame.nextSync(from);
        while (at < bytes.data().length && !budget.isSpent(sink.frames())) {
            try {
                int end = frame.read(at);
                if (lost && frame.first() > sink.frames() && !budget.isSpent(frame.first()))
                    sink.silence((int) (frame.first() - sink.frames()));
                for (int c = 0; c < sink.channelCount(); c++) sink.add(c, frame.channel(c), frame.size(), scale);
                sink.advance(frame.size());
                lost = false;
                at = frame.nextSync(end);
                if (at != end && at < bytes.data().length) damaged++;
            } catch (Damage e) {
                if (!lost) damaged++;
                lost = true;
                at = frame.nextSync(at + 1);
            }
        }
        return damaged;
    }
}
