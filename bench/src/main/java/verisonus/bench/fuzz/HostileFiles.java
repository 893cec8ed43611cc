package verisonus.bench.fuzz;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.SplittableRandom;
import org.jspecify.annotations.Nullable;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;

/**
 * Files that look like sound and are damaged: by a seed always the same. Bytes are turned, numbers in headers made huge, parts
 * cut, doubled, left out; where a format has checksums they are mostly put right again, so that the damage is met further in.
 */
final class HostileFiles {
    enum Kind {
        WAV,
        AIFF,
        FLAC,
        OGG,
        MP3,
        M4A,
        FRAGMENTS,
        ADTS,
        OPUS,
        WEBM
    }

    private static final int[] ODD_NUMBERS = {0, 1, -1, Integer.MAX_VALUE, Integer.MIN_VALUE, 0x00FFFFFF, 0xFF000000,
            0x7FFF, 0x10000, 255};

    private final byte[][] bases;

    HostileFiles() {
        bases = new byte[Kind.values().length][];
        SplittableRandom random = new SplittableRandom(1);
        float[][] x = new float[2][11025];
        for (int i = 0; i < x[0].length; i++) {
            x[0][i] = (float) (0.3 * Math.sin(0.03 * i) + 0.02 * random.nextDouble());
            x[1][i] = i > 4000 && i < 6000 ? 0 : (float) (0.3 * Math.sin(0.02 * i));
        }
        Sound sound = new Sound(x, 44100);
        bases[Kind.WAV.ordinal()] = SoundWriter.encode(sound, SoundWriter.Format.WAV_24);
        bases[Kind.FLAC.ordinal()] = SoundWriter.encode(sound, SoundWriter.Format.FLAC_16);
        bases[Kind.AIFF.ordinal()] = aiff(sound);
        bases[Kind.OGG.ordinal()] = resource("half-second-stereo.ogg");
        bases[Kind.MP3.ordinal()] = resource("half-second-stereo.mp3");
        bases[Kind.M4A.ordinal()] = resource("half-second-stereo.m4a");
        bases[Kind.FRAGMENTS.ordinal()] = resource("half-second-fragments.mp4");
        bases[Kind.ADTS.ordinal()] = resource("half-second-stereo.aac");
        bases[Kind.OPUS.ordinal()] = resource("half-second-stereo.opus");
        bases[Kind.WEBM.ordinal()] = resource("half-second-stereo.webm");
    }

    private static byte[] resource(String name) {
        try (@Nullable
        InputStream in = HostileFiles.class.getResourceAsStream(name)) {
            if (in == null) throw new IllegalStateException("missing " + name);
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static byte[] aiff(Sound s) {
        int data = 4 * s.frames();
        ByteBuffer b = ByteBuffer.allocate(54 + data);
        b.put("FORM".getBytes(StandardCharsets.US_ASCII)).putInt(46 + data);
        b.put("AIFFCOMM".getBytes(StandardCharsets.US_ASCII)).putInt(18).putShort((short) 2).putInt(s.frames())
                .putShort((short) 16).putShort((short) (16383 + 15)).putLong((long) s.rateHz() << 48);
        b.put("SSND".getBytes(StandardCharsets.US_ASCII)).putInt(8 + data).putInt(0).putInt(0);
        for (int i = 0; i < s.frames(); i++)
            for (float[] c : s.channels()) b.putShort((short) Math.round(c[i] * 32767));
        return b.array();
    }

    byte[] base(Kind kind) {
        return bases[kind.ordinal()].clone();
    }

    byte[] make(Kind kind, long seed) {
        SplittableRandom r = new SplittableRandom(seed * 31 + kind.ordinal());
        byte[] d = base(kind);
        int changes = 1 + r.nextInt(6);
        for (int i = 0; i < changes && d.length > 8; i++) d = changed(d, r);
        if (r.nextInt(10) < 7) {
            if (kind == Kind.OGG || kind == Kind.OPUS) repairOgg(d);
            if (kind == Kind.FLAC) repairFlac(d);
        }
        return d;
    }

    private static byte[] changed(byte[] d, SplittableRandom r) {
        // Headers are where numbers are believed.
        int at = r.nextInt(3) == 0 ? r.nextInt(d.length) : r.nextInt(Math.min(d.length, 400));
        switch (r.nextInt(9)) {
            case 0, 1, 2 -> {
                for (int k = 0; k < 1 + r.nextInt(12); k++)
                    d[(at + r.nextInt(16)) % d.length] ^= (byte) (1 << r.nextInt(8));
                return d;
            }
            case 3, 4 -> {
                int v = ODD_NUMBERS[r.nextInt(ODD_NUMBERS.length)];
                boolean little = r.nextBoolean();
                for (int k = 0; k < 4 && at + k < d.length; k++)
                    d[at + k] = (byte) (v >> 8 * (little ? k : 3 - k));
                return d;
            }
            case 5 -> {
                return Arrays.copyOf(d, 4 + r.nextInt(d.length - 4));
            }
            case 6 -> {
                int n = Math.min(d.length - at, 1 + r.nextInt(2000));
                byte[] out = Arrays.copyOf(d, d.length + n);
                System.arraycopy(d, at, out, at + n, d.length - at);
                return out;
            }
            case 7 -> {
                int n = Math.min(d.length - at - 1, 1 + r.nextInt(200));
                if (n <= 0) return d;
                byte[] out = Arrays.copyOf(d, d.length - n);
                System.arraycopy(d, at + n, out, at, d.length - at - n);
                return out;
            }
            default -> {
                int n = Math.min(d.length - at, 1 + r.nextInt(400));
                byte fill = (byte) (r.nextBoolean() ? 0 : r.nextBoolean() ? 0xFF : r.nextInt(256));
                Arrays.fill(d, at, at + n, fill);
                return d;
            }
        }
    }

    /** Puts the checksum of every Ogg page right. */
    static void repairOgg(byte[] d) {
        for (int at = 0; at + 27 < d.length;) {
            if (d[at] != 'O' || d[at + 1] != 'g' || d[at + 2] != 'g' || d[at + 3] != 'S') {
                at++;
                continue;
            }
            int segments = d[at + 26] & 0xFF;
            int body = 0;
            for (int k = 0; k < segments && at + 27 + k < d.length; k++) body += d[at + 27 + k] & 0xFF;
            int end = Math.min(d.length, at + 27 + segments + body);
            for (int k = 22; k < 26; k++) d[at + k] = 0;
            int crc = 0;
            for (int i = at; i < end; i++) {
                crc ^= (d[i] & 0xFF) << 24;
                for (int bit = 0; bit < 8; bit++) crc = crc < 0 ? crc << 1 ^ 0x04C11DB7 : crc << 1;
            }
            for (int k = 0; k < 4; k++) d[at + 22 + k] = (byte) (crc >> 8 * k);
            at = end;
        }
    }

    /** Puts the checksums of FLAC frames right: those of headers, and those at the ends as the next header shows them. */
    static void repairFlac(byte[] d) {
        int last = -1;
        for (int at = 42; at + 16 < d.length; at++) {
            if ((d[at] & 0xFF) != 0xFF || (d[at + 1] & 0xFC) != 0xF8) continue;
            int length = flacHeader(d, at);
            if (length == 0) continue;
            if (last >= 0 && at - last > 16) putCrc16(d, last, at - 2);
            d[at + length] = (byte) crc8(d, at, at + length);
            last = at;
        }
        if (last >= 0 && d.length - last > 16) putCrc16(d, last, d.length - 2);
    }

    /** Length of a frame header without its checksum; 0 where it can be none. */
    private static int flacHeader(byte[] d, int at) {
        int size = d[at + 2] >> 4 & 15;
        int rate = d[at + 2] & 15;
        int lead = d[at + 4] & 0xFF;
        int number = lead < 0x80 ? 1 : lead >= 0xC0 && lead < 0xFE ? Integer.numberOfLeadingZeros(~(lead << 24)) : 0;
        if (number == 0 || size == 0 || rate == 15) return 0;
        int length = 4 + number + (size == 6 ? 1 : size == 7 ? 2 : 0) + (rate == 12 ? 1 : rate > 12 ? 2 : 0);
        return at + length < d.length ? length : 0;
    }

    private static int crc8(byte[] d, int from, int to) {
        int crc = 0;
        for (int i = from; i < to; i++) {
            crc ^= d[i] & 0xFF;
            for (int bit = 0; bit < 8; bit++) crc = (crc & 0x80) != 0 ? crc << 1 ^ 0x07 : crc << 1;
        }
        return crc & 0xFF;
    }

    private static void putCrc16(byte[] d, int from, int at) {
        int crc = 0;
        for (int i = from; i < at; i++) {
            crc ^= (d[i] & 0xFF) << 8;
            for (int bit = 0; bit < 8; bit++) crc = (crc & 0x8000) != 0 ? crc << 1 ^ 0x8005 : crc << 1;
        }
        d[at] = (byte) (crc >> 8);
        d[at + 1] = (byte) crc;
    }

    /** A text document with its words, numbers and brackets changed. */
    static byte[] text(String document, long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        byte[] d = document.getBytes(StandardCharsets.UTF_8);
        String[] odd = {"null", "-1", "1e999", "NaN", "{", "}", "[", "]", "\"", "true", "99999999999999999999",
                "\\u0000",
                "\"series\"", ",", ":", "0.0000000001", "[[[[[[[[[[[[[[[["};
        for (int i = 0; i < 1 + r.nextInt(5); i++) {
            int at = r.nextInt(d.length);
            int cut = Math.min(d.length - at, r.nextInt(12));
            byte[] put = r.nextInt(3) == 0
                    ? new byte[]{(byte) r.nextInt(256)}
                    : odd[r.nextInt(odd.length)].getBytes(StandardCharsets.UTF_8);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            out.write(d, 0, at);
            out.write(put, 0, put.length);
            out.write(d, at + cut, d.length - at - cut);
            d = out.toByteArray();
        }
        return d;
    }
}
