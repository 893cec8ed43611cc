package verisonus.cli.files;

import java.io.PrintStream;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import verisonus.core.evidence.Examination;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.DecodedSound;
import verisonus.core.sound.Sound;
import verisonus.core.sound.SoundReader;
import verisonus.core.work.InputFault;

/** Reads an audio file for a command: warnings go to standard error, too short or silent sound is refused. */
public final class AudioInput {
    private AudioInput() {}

    public static Sound read(Path file) {
        DecodedSound decoded = decoded(file);
        for (String warning : decoded.warnings()) System.err.println("verisonus: " + file + ": " + warning);
        return usable(file.toString(), decoded.sound());
    }

    /** A part of a recording, and how long the whole is. */
    public record Part(Sound sound, double wholeS) {}

    /** Reads a part of a file. @param toS where it ends; absent: the end */
    public static Part read(Path file, double fromS, @Nullable Double toS) {
        PrintStream out = System.out;
        System.setOut(System.err);
        try {
            SoundReader.Part part = SoundReader.read(file, fromS, toS == null ? Double.MAX_VALUE : toS);
            for (String warning : part.decoded().warnings()) System.err.println("verisonus: " + file + ": " + warning);
            return new Part(usable(file.toString(), part.decoded().sound()), part.wholeS());
        } finally {
            System.setOut(out);
        }
    }

    /** A decoding library may print about damage: that must not mix with the result on standard output. */
    private static DecodedSound decoded(Path file) {
        PrintStream out = System.out;
        System.setOut(System.err);
        try {
            return SoundReader.read(file);
        } finally {
            System.setOut(out);
        }
    }

    public static Sound usable(String name, Sound sound) {
        if (sound.durationS() < Examination.SHORTEST_S) {
            throw new InputFault(name,
                    String.format(java.util.Locale.ROOT, "it is too short (%.3f s)", sound.durationS()),
                    "use half a second or more");
        }
        if (Decibels.fromAmplitude(sound.peak()) < Sound.SILENT_DBFS) {
            throw new InputFault(name, "it is silent", "choose a recording or region in which the guitar plays");
        }
        return sound;
    }
}
