package verisonus.core.sound.codec;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.Optional;
import verisonus.core.sound.Sound;

/**
 * RIFF WAVE: integer 8 to 32 bit, float 32 and 64 bit, plain and extensible headers, chunks in any order, sizes that
 * claim more than the file holds (the rest is read and a warning given).
 */
final class WavDecoder {
    /** Longest format part that is looked for, with its head. */
    private static final int HEAD = 256;
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

    /**
     * The bytes of a WAV file that holds a part of another: only that part is read, however long the file is.
     *
     * @return empty where the file is no plain WAV or the part is not in it
     */
    static Optional<Part> part(FileChannel file, double fromS, double toS) throws IOException {
        ByteBuffer head = ByteBuffer.allocate(HEAD).order(ByteOrder.LITTLE_ENDIAN);
        long at = 12;
        int align = 0;
        int rate = 0;
        byte[] format = new byte[0];
        while (at + 8 <= file.size()) {
            head.clear().limit((int) Math.min(HEAD, file.size() - at));
            while (head.hasRemaining() && file.read(head, at + head.position()) > 0) continue;
            long length = head.getInt(4) & 0xFFFFFFFFL;
            int id = Integer.reverseBytes(head.getInt(0));
            if (id == AudioBytes.tag("fmt ") && length >= 16 && length <= HEAD - 8 && head.position() >= 8 + length) {
                format = Arrays.copyOfRange(head.array(), 8, (int) (8 + length));
                rate = head.getInt(12);
                align = head.getShort(20) & 0xFFFF;
            }
            if (id == AudioBytes.tag("data")) {
                long there = Math.min(length, file.size() - at - 8);
                if (align == 0 || rate <= 0 || length == 0 || length == 0xFFFFFFFFL) return Optional.empty();
                return cut(file, at + 8, there, format, new double[]{fromS, toS}, align, rate);
            }
            at += 8 + length + (length & 1);
        }
        return Optional.empty();
    }

    /** A part as a file of its own, without a byte where it is not in the whole, and how long the whole is. */
    record Part(byte[] wav, double wholeS) {}

    private static Optional<Part> cut(FileChannel file, long data, long length, byte[] format, double[] span, int align,
            int rate) throws IOException {
        double wholeS = (double) length / align / rate;
        long from = Math.round(span[0] * rate) * align;
        long to = Math.min(length, Math.round(Math.min(span[1], wholeS) * rate) * align);
        if (from < 0 || to <= from) return Optional.of(new Part(new byte[0], wholeS));
        if (to - from > Integer.MAX_VALUE - HEAD) return Optional.empty();
        int n = (int) (to - from);
        ByteBuffer out = ByteBuffer.allocate(12 + 8 + format.length + 8 + n).order(ByteOrder.LITTLE_ENDIAN);
        out.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt(20 + format.length + n);
        out.put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII)).putInt(format.length).put(format);
        out.put("data".getBytes(StandardCharsets.US_ASCII)).putInt(n);
        while (out.hasRemaining()) if (file.read(out, data + from + n - out.remaining()) < 0) return Optional.empty();
        return Optional.of(new Part(out.array(), wholeS));
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
