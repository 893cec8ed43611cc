package verisonus.cli.files;

import java.io.BufferedInputStream;
import java.io.BufferedOutputStream;
import java.io.DataInputStream;
import java.io.DataOutputStream;
import java.io.EOFException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.OptionalDouble;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Playing;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.work.InputFault;
import verisonus.core.work.OutputFault;

/**
 * Plays a take of any length through a tone, piece by piece: first into a file of its own, by which its peak is known, then, no louder
 * than full scale, into the result. Memory does not grow with length.
 */
public final class LongRender {
    /** From here on a take is played in pieces. */
    public static final double FROM_S = 300;
    /** Pieces begin on whole seconds, so that any rate becomes the simulation's without a seam. */
    private static final int PIECE_S = 30;
    private static final int MARGIN_S = 1;
    private static final int TENTHS = 10;
    private static final double JUST_UNDER_DB = 0.1;

    private final Path di;
    private final Tone tone;
    private final double lengthS;
    private long frames;
    private double peak;
    private double played;

    private LongRender(Path di, Tone tone, double lengthS) {
        this.di = di;
        this.tone = tone;
        this.lengthS = lengthS;
    }

    /** Whether a file is so long, and can be read from anywhere. */
    public static boolean suits(Path di) {
        OptionalDouble length = SoundReader.lengthS(di);
        return length.isPresent() && length.getAsDouble() > FROM_S;
    }

    /**
     * Renders into a WAV file.
     *
     * @return by how many decibels it was lowered; 0 where it fitted, or keeps its level as floating point does
     */
    public static double write(Path di, Tone tone, SoundWriter.Format format, OutputFile target) {
        LongRender r = new LongRender(di, tone, SoundReader.lengthS(di).orElseThrow());
        Playing playing = new Playing(tone, Quality.FINAL);
        long bytes = SoundWriter.wavBytes(format, playing.channels(), (long) (r.lengthS * Sound.WORKING_RATE_HZ));
        if (bytes > SoundWriter.MOST_WAV_BYTES - 100)
            throw new InputFault(di.toString(), "what it becomes is over the four gigabytes of a WAV file",
                    "render it in two parts, or as wav16");
        try {
            Path raw = Files.createTempFile("verisonus-", ".raw");
            raw.toFile().deleteOnExit();
            try {
                r.play(playing, raw);
                double down = format == SoundWriter.Format.WAV_FLOAT || r.peak <= 1
                        ? 0
                        : Decibels.fromAmplitude(r.peak) + JUST_UNDER_DB;
                target.write(out -> r.encode(raw, playing.channels(), format, Math.pow(10, -down / 20), out));
                return down;
            } finally {
                Files.deleteIfExists(raw);
            }
        } catch (IOException e) {
            throw new OutputFault(System.getProperty("java.io.tmpdir"), "it cannot be written (" + e.getMessage() + ")",
                    "make room, or name another folder with TMPDIR");
        }
    }

    private void play(Playing playing, Path raw) throws IOException {
        int said = 0;
        try (DataOutputStream out = new DataOutputStream(
                new BufferedOutputStream(Files.newOutputStream(raw), 1 << 16))) {
            for (double at = 0; at < lengthS; at += PIECE_S) {
                put(playing.next(piece(at)), out);
                int tenth = (int) (TENTHS * Math.min(1, (at + PIECE_S) / lengthS));
                if (tenth > said && tenth < TENTHS) System.err.printf("verisonus: %d %%%n", TENTHS * tenth);
                said = tenth;
            }
            put(playing.rest(), out);
        }
        if (Decibels.fromAmplitude(played) < Sound.SILENT_DBFS)
            throw new InputFault(di.toString(), "it is silent", "choose a take in which the guitar plays");
    }

    /** Samples of one piece at the simulation's rate; its neighbours are read along for the change of rate and cut away again. */
    private float[] piece(double at) {
        double from = Math.max(0, at - MARGIN_S);
        double to = Math.min(lengthS, at + PIECE_S + MARGIN_S);
        Sound read = SoundReader.read(di, from, to).decoded().sound().atRate(Sound.WORKING_RATE_HZ);
        int begin = (int) Math.round((at - from) * Sound.WORKING_RATE_HZ);
        int end = Math.min(read.frames(), begin + PIECE_S * Sound.WORKING_RATE_HZ);
        float[] out = Arrays.copyOfRange(read.mid(), Math.min(begin, end), end);
        for (float v : out) played = Math.max(played, Math.abs(v));
        return out;
    }

    private void put(float[][] sound, DataOutputStream out) throws IOException {
        for (int i = 0; i < sound[0].length; i++) {
            for (float[] channel : sound) {
                peak = Math.max(peak, Math.abs(channel[i]));
                out.writeFloat(channel[i]);
            }
        }
        frames += sound[0].length;
    }

    private void encode(Path raw, int channels, SoundWriter.Format format, double gain, java.io.OutputStream out)
            throws IOException {
        out.write(SoundWriter.wavHead(format, channels, Sound.WORKING_RATE_HZ, frames));
        try (DataInputStream in = new DataInputStream(new BufferedInputStream(Files.newInputStream(raw), 1 << 16))) {
            int most = PIECE_S * Sound.WORKING_RATE_HZ;
            for (long at = 0; at < frames; at += most) {
                float[][] piece = new float[channels][(int) Math.min(most, frames - at)];
                for (int i = 0; i < piece[0].length; i++)
                    for (float[] channel : piece) channel[i] = (float) (gain * in.readFloat());
                out.write(SoundWriter.wavPiece(new Sound(piece, Sound.WORKING_RATE_HZ), format));
            }
        } catch (EOFException e) {
            throw new IOException("what was rendered is gone", e);
        }
        if ((SoundWriter.wavBytes(format, channels, frames) & 1) == 1) out.write(0);
    }
}
