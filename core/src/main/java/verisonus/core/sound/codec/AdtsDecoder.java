package verisonus.core.sound.codec;

import java.io.IOException;
import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/** AAC in a stream of frames with a header each (ISO/IEC 13818-7, ADTS). */
final class AdtsDecoder {
    private static final int HEADER = 7;
    /** A header that is followed by a checksum is this much longer. */
    private static final int CHECKSUM = 2;

    private final AudioBytes bytes;

    AdtsDecoder(AudioBytes bytes) {
        this.bytes = bytes;
    }

    /** Whether a frame begins here with another behind it, so that chance bytes do not pass for sound. */
    static boolean begins(byte[] d, int at) {
        int length = frameLength(d, at);
        return length > 0 && (at + length == d.length || frameLength(d, at + length) > 0);
    }

    private static int frameLength(byte[] d, int at) {
        if (at + HEADER > d.length || (d[at] & 0xFF) != 0xFF || (d[at + 1] & 0xF6) != 0xF0) return 0;
        if ((d[at + 2] >> 2 & 15) > 12) return 0;
        int length = (d[at + 3] & 3) << 11 | (d[at + 4] & 0xFF) << 3 | (d[at + 5] & 0xFF) >> 5;
        return length > HEADER ? length : 0;
    }

    DecodedSound decode() throws IOException {
        byte[] d = bytes.data();
        @Nullable
        AacFrames frames = null;
        int at = 0;
        boolean skipped = false;
        while (at + HEADER < d.length) {
            int length = frameLength(d, at);
            if (length == 0) {
                skipped |= frames != null;
                at++;
                continue;
            }
            if (frames == null) frames = new AacFrames(bytes, config(d, at));
            int head = (d[at + 1] & 1) == 0 ? HEADER + CHECKSUM : HEADER;
            if (at + length > d.length || length <= head) break;
            frames.add(Arrays.copyOfRange(d, at + head, at + length));
            at += length;
        }
        if (frames == null) throw bytes.fault("no AAC sound was found in it");
        DecodedSound out = frames.decoded(Shown.ALL);
        return skipped ? out.warning("damaged: bytes between AAC frames were passed over") : out;
    }

    /** Profile, rate and channels of a frame as an audio specific config. */
    private static byte[] config(byte[] d, int at) {
        int profile = (d[at + 2] >> 6 & 3) + 1;
        int rate = d[at + 2] >> 2 & 15;
        int channels = (d[at + 2] & 1) << 2 | d[at + 3] >> 6 & 3;
        return new byte[]{(byte) (profile << 3 | rate >> 1), (byte) ((rate & 1) << 7 | channels << 3)};
    }
}
