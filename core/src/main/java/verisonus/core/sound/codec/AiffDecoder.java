package verisonus.core.sound.codec;

import java.nio.ByteBuffer;
import verisonus.core.sound.Sound;

/** AIFF and uncompressed AIFF-C: integer 8 to 32 bit, float 32 and 64 bit, either byte order. */
final class AiffDecoder {
    private final AudioBytes bytes;
    private final ByteBuffer in;
    private int channels;
    private int rateHz;
    private int bits = -1;
    private int compression = AudioBytes.tag("NONE");
    private int dataAt = -1;
    private long dataLength;

    AiffDecoder(AudioBytes bytes) {
        this.bytes = bytes;
        this.in = ByteBuffer.wrap(bytes.data());
    }

    DecodedSound decode() {
        readChunks();
        if (bits < 0) throw bytes.fault("the AIFF header has no format part");
        if (dataAt < 0) throw bytes.fault("the AIFF file has no sound part");
        PcmFormat pcm = format();
        if (!pcm.supported()) throw bytes.fault("samples of " + bits + " bit are not read");
        bytes.requireShape(channels, rateHz);
        int there = (int) Math.max(0, Math.min(dataLength, bytes.data().length - dataAt));
        DecodedSound sound = new DecodedSound(new Sound(pcm.decode(bytes.data(), dataAt, there, channels), rateHz));
        return there < dataLength
                ? sound.warning("the header promises " + dataLength + " bytes of sound, the file holds " + there)
                : sound;
    }

    private PcmFormat format() {
        int wide = (bits + 7) / 8 * 8;
        if (compression == AudioBytes.tag("NONE") || compression == AudioBytes.tag("twos")) {
            return new PcmFormat(PcmFormat.Encoding.SIGNED, wide, true);
        }
        if (compression == AudioBytes.tag("sowt")) return new PcmFormat(PcmFormat.Encoding.SIGNED, wide, false);
        if (compression == AudioBytes.tag("fl32") || compression == AudioBytes.tag("FL32")) {
            return new PcmFormat(PcmFormat.Encoding.FLOAT, 32, true);
        }
        if (compression == AudioBytes.tag("fl64") || compression == AudioBytes.tag("FL64")) {
            return new PcmFormat(PcmFormat.Encoding.FLOAT, 64, true);
        }
        throw bytes.fault("the AIFF file is compressed in a way that is not read");
    }

    private void readChunks() {
        int at = 12;
        while (at + 8 <= bytes.data().length) {
            int id = in.getInt(at);
            long length = in.getInt(at + 4) & 0xFFFFFFFFL;
            int body = at + 8;
            if (id == AudioBytes.tag("COMM") && length >= 18 && body + 18 <= bytes.data().length)
                readCommon(body, length);
            if (id == AudioBytes.tag("SSND") && dataAt < 0 && body + 8 <= bytes.data().length) {
                dataAt = body + 8 + Math.max(0, in.getInt(body));
                dataLength = Math.max(0, length - (dataAt - body));
                if (dataAt > bytes.data().length) dataAt = bytes.data().length;
            }
            long next = body + length + (length & 1);
            if (next > bytes.data().length) return;
            at = (int) next;
        }
    }

    private void readCommon(int at, long length) {
        channels = in.getShort(at) & 0xFFFF;
        bits = in.getShort(at + 6) & 0xFFFF;
        rateHz = extendedToInt(at + 8);
        if (length >= 22 && at + 22 <= bytes.data().length) compression = in.getInt(at + 18);
    }

    /** The rate stands as an 80-bit extended float. */
    private int extendedToInt(int at) {
        int exponent = (in.getShort(at) & 0x7FFF) - 16383;
        long mantissa = in.getLong(at + 2);
        if (exponent < 0 || exponent > 30) return 0;
        return (int) Math.round(Math.scalb((double) (mantissa >>> 1), exponent - 62));
    }
}
