package verisonus.cli.files;

import java.io.PrintStream;
import java.nio.file.Path;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Locale;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import verisonus.core.evidence.Examination;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.DecodedSound;
import verisonus.core.sound.codec.SoundReader;

/** Reads an audio file for a command: warnings go to standard error, too short or silent sound is refused. */
public final class AudioInput {
    /** Longer than this nobody plays one tone; a rate above 48 kHz shortens it. */
    private static final double LONGEST_S = 240;
    private static final double STEP_S = 20;

    private AudioInput() {}

    public static Sound read(Path file) {
        DecodedSound decoded = decoded(file);
        for (String warning : decoded.warnings()) System.err.println("verisonus: " + file + ": " + warning);
        return Examination.usable(file.toString(), decoded.sound());
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
            return new Part(Examination.usable(file.toString(), part.decoded().sound()), part.wholeS());
        } finally {
            System.setOut(out);
        }
    }

    /**
     * The same for what is studied as one sound: of a very long recording the loudest four minutes, and it says so.
     *
     * @param fromS where the part begins
     */
    public static Studied studied(Path file, double fromS, @Nullable Double toS) {
        OptionalDouble length = SoundReader.lengthS(file);
        double end = length.isEmpty() ? 0 : toS == null ? length.getAsDouble() : Math.min(toS, length.getAsDouble());
        if (end - fromS <= LONGEST_S) {
            Part part = read(file, fromS, toS);
            return new Studied(part.sound(), fromS, toS == null ? part.wholeS() : Math.min(toS, part.wholeS()),
                    part.wholeS());
        }
        double best = fromS;
        double loudest = -1;
        Deque<Double> powers = new ArrayDeque<>();
        double sum = 0;
        int most = (int) (LONGEST_S / STEP_S);
        double longest = LONGEST_S;
        for (double at = fromS; at + STEP_S <= end; at += STEP_S) {
            Sound piece = SoundReader.read(file, at, at + STEP_S).decoded().sound();
            longest = LONGEST_S * Math.min(1, (double) Sound.WORKING_RATE_HZ / piece.rateHz());
            most = (int) (longest / STEP_S);
            double power = Math.pow(piece.rms(), 2);
            powers.add(power);
            sum += power;
            if (powers.size() > most) sum -= powers.remove();
            if (powers.size() == most && sum > loudest) {
                loudest = sum;
                best = at - (most - 1) * STEP_S;
            }
        }
        System.err
                .printf(Locale.ROOT,
                        "verisonus: %s: %.0f s are more than one tone; studied from %.0f to %.0f s, where it is"
                                + " loudest. --from and --to ask for another part%n",
                        file, end - fromS, best, best + longest);
        Part part = read(file, best, best + longest);
        return new Studied(part.sound(), best, best + longest, part.wholeS());
    }

    /** What is studied of a recording, and where it stands in it. */
    public record Studied(Sound sound, double fromS, double toS, double wholeS) {}

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
}
