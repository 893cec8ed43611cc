package verisonus.core.sound.codec;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.SplittableRandom;
import net.sourceforge.javaflacencoder.EncodingConfiguration;
import net.sourceforge.javaflacencoder.FLACEncoder;
import net.sourceforge.javaflacencoder.StreamConfiguration;
import verisonus.core.sound.Sound;
import verisonus.core.work.OutputFault;

/** Encodes sound as WAV (16 or 24 bit integer, 32 bit float) or FLAC (16 or 24 bit). Integers above full scale clip. */
public final class SoundWriter {
    /** What is written. */
    public enum Format {
        WAV_16("wav"),
        WAV_24("wav"),
        WAV_FLOAT("wav"),
        FLAC_16("flac"),
        FLAC_24("flac");

        private final String extension;

        Format(String extension) {
            this.extension = extension;
        }

        public String extension() {
            return extension;
        }
    }

    private SoundWriter() {}

    /** The whole file as bytes. 16 bit is dithered with a fixed seed, so that the same sound gives the same file. */
    public static byte[] encode(Sound sound, Format format) {
        return switch (format) {
            case WAV_16, WAV_24, WAV_FLOAT -> wav(sound, format);
            case FLAC_16 -> flac(sound, 16);
            case FLAC_24 -> flac(sound, 24);
        };
    }

    /** A WAV file's size may be told in this many bytes at most. */
    public static final long MOST_WAV_BYTES = 0xFFFFFFFFL;

    private static int bits(Format format) {
        return switch (format) {
            case WAV_16, FLAC_16 -> 16;
            case WAV_24, FLAC_24 -> 24;
            case WAV_FLOAT -> 32;
        };
    }

    /** Bytes that these frames take in a WAV file, its header left out. */
    public static long wavBytes(Format format, int channels, long frames) {
        return frames * channels * bits(format) / 8;
    }

    /**
     * The head of a WAV file that is written piece by piece, {@link #wavPiece} after it.
     *
     * @param frames of the whole, not over {@link #MOST_WAV_BYTES} in all
     */
    public static byte[] wavHead(Format format, int channels, int rateHz, long frames) {
        int bits = bits(format);
        long length = wavBytes(format, channels, frames);
        ByteBuffer out = ByteBuffer.allocate(44).order(ByteOrder.LITTLE_ENDIAN);
        out.put("RIFF".getBytes(StandardCharsets.US_ASCII)).putInt((int) (36 + length + (length & 1)));
        out.put("WAVEfmt ".getBytes(StandardCharsets.US_ASCII)).putInt(16);
        out.putShort((short) (bits == 32 ? 3 : 1)).putShort((short) channels).putInt(rateHz);
        out.putInt(rateHz * channels * bits / 8).putShort((short) (channels * bits / 8)).putShort((short) bits);
        out.put("data".getBytes(StandardCharsets.US_ASCII)).putInt((int) length);
        return out.array();
    }

    /** Samples of one piece; a whole of an odd number of bytes wants one byte more at its end. */
    public static byte[] wavPiece(Sound sound, Format format) {
        int bits = bits(format);
        int channels = sound.channels().length;
        ByteBuffer out = ByteBuffer.allocate(sound.frames() * channels * bits / 8).order(ByteOrder.LITTLE_ENDIAN);
        samples(sound, bits, out);
        return out.array();
    }

    private static byte[] wav(Sound sound, Format format) {
        int bits = bits(format);
        int channels = sound.channels().length;
        int length = sound.frames() * channels * bits / 8;
        ByteBuffer out = ByteBuffer.allocate(44 + length + (length & 1)).order(ByteOrder.LITTLE_ENDIAN);
        out.put(wavHead(format, channels, sound.rateHz(), sound.frames()));
        samples(sound, bits, out);
        return out.array();
    }

    private static void samples(Sound sound, int bits, ByteBuffer out) {
        int channels = sound.channels().length;
        int[][] whole = bits == 32 ? new int[0][] : quantised(sound, bits);
        for (int i = 0; i < sound.frames(); i++) {
            for (int c = 0; c < channels; c++) {
                switch (bits) {
                    case 16 -> out.putShort((short) whole[c][i]);
                    case 24 -> out.put((byte) whole[c][i]).putShort((short) (whole[c][i] >> 8));
                    default -> out.putFloat(sound.channel(c)[i]);
                }
            }
        }
    }

    private static byte[] flac(Sound sound, int bits) {
        StreamConfiguration stream = new StreamConfiguration(sound.channels().length, 4096, 4096, sound.rateHz(), bits);
        FLACEncoder encoder = new FLACEncoder();
        encoder.setStreamConfiguration(stream);
        encoder.setEncodingConfiguration(new EncodingConfiguration());
        SeekableBytes bytes = new SeekableBytes();
        int[][] whole = quantised(sound, bits);
        int channels = whole.length;
        int[] interleaved = new int[sound.frames() * channels];
        for (int i = 0; i < sound.frames(); i++) {
            for (int c = 0; c < channels; c++) interleaved[i * channels + c] = whole[c][i];
        }
        try {
            encoder.setOutputStream(bytes);
            encoder.openFLACStream();
            encoder.addSamples(interleaved, sound.frames());
            encoder.encodeSamples(encoder.fullBlockSamplesAvailableToEncode(), false);
            encoder.encodeSamples(encoder.samplesAvailableToEncode(), true);
        } catch (IOException e) {
            throw new OutputFault("FLAC", "the sound could not be encoded", "write WAV instead");
        }
        return bytes.toByteArray();
    }

    private static int[][] quantised(Sound sound, int bits) {
        SplittableRandom random = new SplittableRandom(16);
        double scale = 1L << (bits - 1);
        int[][] out = new int[sound.channels().length][sound.frames()];
        for (int c = 0; c < out.length; c++) {
            float[] x = sound.channel(c);
            for (int i = 0; i < x.length; i++) {
                // Triangular dither of one step keeps quiet tails from turning into distortion at 16 bit.
                double dither = bits == 16 && x[i] != 0 ? triangular(random) : 0;
                out[c][i] = (int) Math.clamp(Math.rint(x[i] * scale + dither), -scale, scale - 1);
            }
        }
        return out;
    }

    private static double triangular(SplittableRandom random) {
        double first = random.nextDouble();
        double second = random.nextDouble();
        return first - second;
    }
}
