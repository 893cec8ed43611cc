package verisonus.core.sound;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/**
 * RIFF WAVE: integer 8 to 32 bit, float 32 and 64 bit, plain and extensible headers, chunks in any order, sizes that
 * claim more than the file holds (the rest is read and a warning given).
 */
final class WavDecoder {
    private static final int INTEGER = 1;
    private static final int FLOAT = 3;
    private static final int EXTENSIBLE = 0xFFFE;

    private final AudioBytes bytes;
    private final ByteBuffer in;
    private int format = -1;
    private int channels;
    private int rateHz;
    private int bits;
    private int dataAt = -1;
    private long dataLength;

    WavDecoder(AudioBytes bytes) {
        this.bytes = bytes;
        this.in = ByteBuffer.wrap(bytes.data()).order(ByteOrder.LITTLE_ENDIAN);
    }

    DecodedSound decode() {
        readChunks();
        if (format < 0) throw bytes.fault("the WAV header has no format part");
        if (dataAt < 0) throw bytes.fault("the WAV file has no sound part");
        if (format != INTEGER && format != FLOAT) {
            throw bytes.fault("the WAV file is compressed in a way that is not read (format " + format + ")");
        }
        PcmFormat.Encoding kind = format == FLOAT
                ? PcmFormat.Encoding.FLOAT
                : bits == 8 ? PcmFormat.Encoding.UNSIGNED : PcmFormat.Encoding.SIGNED;
        PcmFormat pcm = new PcmFormat(kind, bits, false);
        if (!pcm.supported()) throw bytes.fault("samples of " + bits + " bit are not read");
        bytes.requireShape(channels, rateHz);
        int there = (int) Math.min(dataLength, bytes.data().length - dataAt);
        DecodedSound sound = new DecodedSound(new Sound(pcm.decode(bytes.data(), dataAt, there, channels), rateHz));
        boolean streamed = dataLength == 0xFFFFFFFFL;
        return there < dataLength && !streamed
                ? sound.warning("the header promises " + dataLength + " bytes of sound, the file holds " + there)
                : sound;
    }

    private void readChunks() {
        int at = 12;
        while (at + 8 <= bytes.data().length) {
            int id = Integer.reverseBytes(in.getInt(at));
            long length = in.getInt(at + 4) & 0xFFFFFFFFL;
            int body = at + 8;
            if (id == AudioBytes.tag("fmt ") && length >= 16 && body + 16 <= bytes.data().length)
                readFormat(body, length);
            if (id == AudioBytes.tag("data") && dataAt < 0) {
                dataAt = body;
                // Programs that write to a pipe leave 0 here; the sound then runs to the end of the file.
                dataLength = length == 0 && body < bytes.data().length && !chunkFollows(body) ? 0xFFFFFFFFL : length;
            }
            long next = body + length + (length & 1);
            if (next > bytes.data().length) return;
            at = (int) next;
        }
    }

    private boolean chunkFollows(int at) {
        if (at + 8 > bytes.data().length) return false;
        for (int i = 0; i < 4; i++) {
            if (bytes.data()[at + i] < 32 || bytes.data()[at + i] > 126) return false;
        }
        return true;
    }

    private void readFormat(int at, long length) {
        format = in.getShort(at) & 0xFFFF;
        channels = in.getShort(at + 2) & 0xFFFF;
        rateHz = in.getInt(at + 4);
        bits = in.getShort(at + 14) & 0xFFFF;
        if (format == EXTENSIBLE && length >= 40 && at + 40 <= bytes.data().length) {
            format = in.getShort(at + 24) & 0xFFFF;
        }
    }
}
