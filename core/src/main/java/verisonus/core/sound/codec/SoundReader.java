package verisonus.core.sound.codec;

import io.github.jaredmdobson.concentus.OpusException;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.AccessDeniedException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javazoom.jl.decoder.JavaLayerException;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/**
 * Reads WAV, AIFF, FLAC, Ogg Vorbis, MP3, AAC (MP4, M4A, ADTS) and Opus (Ogg, WebM), told apart by their content and not by their name; 8 to 192 kHz, mono or
 * stereo. Whatever cannot be read becomes an {@link InputFault}; a file that ends early is read as far as it goes,
 * with a warning.
 */
public final class SoundReader {
    /** How files of sound usually end, in lower case. */
    public static final List<String> ENDINGS = List.of(".wav", ".flac", ".aif", ".aiff", ".mp3", ".ogg", ".oga", ".m4a",
            ".mp4", ".aac", ".opus", ".webm");
    static final int LOWEST_RATE_HZ = 8000;
    static final int HIGHEST_RATE_HZ = 192_000;
    private static final float LOUDEST = 1000;

    private SoundReader() {}

    /** Reads a file. */
    public static DecodedSound read(Path file) {
        return decode(file.toString(), bytesOf(file));
    }

    /**
     * A part of a file.
     *
     * @param decoded the part
     * @param wholeS how long the whole recording is, seconds
     */
    public record Part(DecodedSound decoded, double wholeS) {}

    /**
     * Reads a part of a file; of a WAV file nothing else is read.
     *
     * @param toS where it ends; beyond the end means the end
     */
    public static Part read(Path file, double fromS, double toS) {
        try (FileChannel channel = FileChannel.open(file)) {
            ByteBuffer head = ByteBuffer.allocate(12);
            if (channel.read(head, 0) == 12 && new AudioBytes("", head.array()).startsWith("RIFF")
                    && new AudioBytes("", head.array()).hasAt(8, "WAVE")) {
                Optional<WavDecoder.Part> part = WavDecoder.part(channel, fromS, toS);
                if (part.isPresent() && part.get().wav().length == 0)
                    throw outside(file, fromS, Math.min(toS, part.get().wholeS()), part.get().wholeS());
                if (part.isPresent())
                    return new Part(decode(file.toString(), part.get().wav()), part.get().wholeS());
            }
        } catch (IOException e) {
            // What is wrong with the file is said when the whole is read.
            return whole(file, fromS, toS);
        }
        return whole(file, fromS, toS);
    }

    /** How long a WAV file is, from its head alone; absent for what has to be decoded to know. */
    public static OptionalDouble lengthS(Path file) {
        try (FileChannel channel = FileChannel.open(file)) {
            ByteBuffer head = ByteBuffer.allocate(12);
            AudioBytes first = new AudioBytes("", head.array());
            if (channel.read(head, 0) < 12 || !first.startsWith("RIFF") || !first.hasAt(8, "WAVE"))
                return OptionalDouble.empty();
            Optional<WavDecoder.Part> none = WavDecoder.part(channel, 0, 0);
            return none.isPresent() ? OptionalDouble.of(none.get().wholeS()) : OptionalDouble.empty();
        } catch (IOException e) {
            return OptionalDouble.empty();
        }
    }

    private static InputFault outside(Path file, double fromS, double toS, double wholeS) {
        return new InputFault(file.toString(),
                Figures.of("the region from %.3f to %.3f s is not in it", fromS, toS),
                Figures.of("it lasts %.3f s", wholeS));
    }

    private static Part whole(Path file, double fromS, double toS) {
        DecodedSound all = read(file);
        double end = Math.min(toS, all.sound().durationS());
        if (fromS < 0 || !(end > fromS)) throw outside(file, fromS, end, all.sound().durationS());
        boolean everything = fromS == 0 && end == all.sound().durationS();
        return new Part(everything ? all : new DecodedSound(all.sound().slice(fromS, end), all.warnings()),
                all.sound().durationS());
    }

    private static byte[] bytesOf(Path file) {
        try {
            if (Files.isDirectory(file)) {
                throw new InputFault(file.toString(), "it is a folder", "name an audio file in it");
            }
            return Files.readAllBytes(file);
        } catch (NoSuchFileException e) {
            throw new InputFault(file.toString(), "there is no such file", "check the name", e);
        } catch (AccessDeniedException e) {
            throw new InputFault(file.toString(), "it may not be read", "check its permissions", e);
        } catch (IOException | OutOfMemoryError e) {
            throw new InputFault(file.toString(), "it cannot be read", "check the disk, or use a shorter file", e);
        }
    }

    /** Decodes the bytes of a file; {@code name} stands in error messages. */
    public static DecodedSound decode(String name, byte[] data) {
        AudioBytes bytes = new AudioBytes(name, data);
        if (data.length == 0) throw new InputFault(name, "the file is empty", "export the recording again");
        DecodedSound decoded;
        try {
            decoded = decodeAny(bytes);
        } catch (InputFault e) {
            throw e;
        } catch (OutOfMemoryError e) {
            throw new InputFault(name, "it needs more memory than this program may use",
                    "use a shorter part of it, or start the program with a larger heap", e);
        } catch (IOException | JavaLayerException | OpusException | RuntimeException e) {
            throw new InputFault(name, "it is damaged and cannot be read", AudioBytes.EXPORT_AGAIN, e);
        }
        if (decoded.sound().frames() == 0) throw bytes.fault("it holds no sound");
        requireNumbers(bytes, decoded.sound());
        return decoded;
    }

    private static DecodedSound decodeAny(AudioBytes bytes) throws IOException, JavaLayerException, OpusException {
        if (bytes.startsWith("RIFF") && bytes.hasAt(8, "WAVE")) return new WavDecoder(bytes).decode();
        if (bytes.startsWith("FORM") && (bytes.hasAt(8, "AIFF") || bytes.hasAt(8, "AIFC"))) {
            return new AiffDecoder(bytes).decode();
        }
        if (bytes.startsWith("fLaC")) return new FlacDecoder(bytes).decode();
        if (OggOpusDecoder.isOne(bytes)) return new OggOpusDecoder(bytes).decode();
        if (bytes.startsWith("OggS")) return new VorbisDecoder(bytes).decode();
        if (Mp4Boxes.isOne(bytes)) return new Mp4Decoder(bytes).decode();
        if (WebmDecoder.isOne(bytes)) return new WebmDecoder(bytes).decode();
        if (AdtsDecoder.begins(bytes.data(), 0)) return new AdtsDecoder(bytes).decode();
        if (bytes.startsWith("ID3") || looksLikeMpeg(bytes.data())) return new Mp3Decoder(bytes).decode();
        throw new InputFault(bytes.name(), "it is not audio of a kind that is read", AudioBytes.EXPORT_AGAIN);
    }

    /** Two MPEG layer III frame headers, one frame apart, so that chance bytes do not pass for sound. */
    private static boolean looksLikeMpeg(byte[] d) {
        for (int at = 0; at < Math.min(d.length - 4, 4096); at++) {
            int length = mpegFrameLength(d, at);
            if (length > 0 && at + length + 4 <= d.length && mpegFrameLength(d, at + length) > 0) return true;
        }
        return false;
    }

    private static int mpegFrameLength(byte[] d, int at) {
        if ((d[at] & 0xFF) != 0xFF || (d[at + 1] & 0xE6) != 0xE2) return 0;
        int version = d[at + 1] >> 3 & 3;
        int rateIndex = d[at + 2] >> 2 & 3;
        int bitrateIndex = d[at + 2] >> 4 & 15;
        if (version == 1 || rateIndex == 3 || bitrateIndex == 0 || bitrateIndex == 15) return 0;
        int[] kbps1 = {0, 32, 40, 48, 56, 64, 80, 96, 112, 128, 160, 192, 224, 256, 320};
        int[] kbps2 = {0, 8, 16, 24, 32, 40, 48, 56, 64, 80, 96, 112, 128, 144, 160};
        int rate = new int[]{44100, 48000, 32000}[rateIndex] >> (version == 3 ? 0 : version == 2 ? 1 : 2);
        int kbps = version == 3 ? kbps1[bitrateIndex] : kbps2[bitrateIndex];
        return (version == 3 ? 144 : 72) * kbps * 1000 / rate + (d[at + 2] >> 1 & 1);
    }

    private static void requireNumbers(AudioBytes bytes, Sound sound) {
        for (float[] c : sound.channels()) {
            for (float v : c) {
                if (!Float.isFinite(v)) throw bytes.fault("it holds samples that are not numbers");
                if (Math.abs(v) > LOUDEST) throw bytes.fault("it holds samples over +60 dBFS, which no sound has");
            }
        }
    }
}
