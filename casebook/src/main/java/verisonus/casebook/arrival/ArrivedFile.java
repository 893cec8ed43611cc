package verisonus.casebook.arrival;

import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ResponseCsv;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.work.InputFault;

/**
 * What a file that the player hands over most likely is, told by what it holds; recordings, which sound alike whatever they are
 * for, by their names and by what the case has already.
 *
 * @param kind what it is taken for
 * @param why in the player's words
 */
public record ArrivedFile(Path file, Kind kind, String why) {
    /** What a file can become. */
    public enum Kind {
        REFERENCE("a recording to study"),
        TAKE("your dry take"),
        BACKING("what plays around the guitar"),
        IMPULSE("a loudspeaker's impulse response"),
        RESPONSE("the response of a playback system"),
        TONE("a tone"),
        RIG("your gear"),
        CASEBOOK("a casebook");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        /** Whether it is a recording of playing, whose part in the case the player may change. */
        public boolean isRecording() {
            return this == REFERENCE || this == TAKE || this == BACKING;
        }
    }

    /**
     * What the case has already.
     *
     * @param shared words that stand in the names of all files that came together, and so tell none from another
     */
    public record Present(boolean reference, boolean take, Set<String> shared) {
        public Present {
            shared = Set.copyOf(shared);
        }

        /** Of one file by itself. */
        public Present(boolean reference, boolean take) {
            this(reference, take, Set.of());
        }

        /** With one file more. */
        public Present with(Kind kind) {
            return new Present(reference || kind == Kind.REFERENCE, take || kind == Kind.TAKE, shared);
        }
    }

    /** Words that stand in all names of several files that came together; of one file there are none. */
    public static Set<String> sharedWords(List<Path> together) {
        if (together.size() < 2) return Set.of();
        Set<String> out = new HashSet<>(words(together.getFirst()));
        for (Path p : together) out.retainAll(words(p));
        return out;
    }

    private static List<String> words(Path file) {
        String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
        return Arrays.asList(name.replaceFirst("\\.[^.]*$", "").split("[^\\p{L}]+"));
    }

    private static final String DATABASE = "SQLite format 3";
    private static final double LONGEST_IMPULSE_S = 3;
    /** Of an impulse response nearly all the energy comes within so short a time of its peak. */
    private static final double BURST_S = 0.25;
    private static final double IN_BURST = 0.97;
    private static final double PEAK_WITHIN_S = 0.1;
    private static final Set<String> TAKE_NAMES = Set.of("di", "dry", "take", "direct", "raw");
    private static final Set<String> BACKING_NAMES = Set.of("backing", "band", "bass", "drums", "minus", "rest",
            "karaoke");
    private static final Set<String> REFERENCE_NAMES = Set.of("reference", "ref", "record", "original", "song",
            "master",
            "mix");

    /** @throws InputFault naming the file where it is nothing that can be used here */
    public static ArrivedFile of(Path file, Present present) {
        byte[] head = head(file);
        if (new String(head, StandardCharsets.ISO_8859_1).startsWith(DATABASE)) {
            return new ArrivedFile(file, Kind.CASEBOOK, "it is a database as casebooks are");
        }
        String name = String.valueOf(file.getFileName()).toLowerCase(Locale.ROOT);
        if (name.endsWith(".json")) return ofJson(file);
        if (name.endsWith(".csv") || name.endsWith(".txt")) {
            ResponseCsv.read(file);
            return new ArrivedFile(file, Kind.RESPONSE, "it lists levels by frequency");
        }
        Sound sound = SoundReader.read(file).sound();
        if (isBurst(sound)) {
            return new ArrivedFile(file, Kind.IMPULSE, "one short burst that dies away, no playing");
        }
        return recording(file, present);
    }

    private static ArrivedFile recording(Path file, Present present) {
        List<String> words = words(file).stream().filter(w -> !present.shared().contains(w)).toList();
        if (words.stream().anyMatch(TAKE_NAMES::contains)) return new ArrivedFile(file, Kind.TAKE, "by its name");
        if (words.stream().anyMatch(BACKING_NAMES::contains)) return new ArrivedFile(file, Kind.BACKING, "by its name");
        if (words.stream().anyMatch(REFERENCE_NAMES::contains)) {
            return new ArrivedFile(file, Kind.REFERENCE, "by its name");
        }
        if (!present.reference()) return new ArrivedFile(file, Kind.REFERENCE, "the case had none yet");
        if (!present.take()) return new ArrivedFile(file, Kind.TAKE, "the case had a recording but no take");
        return new ArrivedFile(file, Kind.BACKING, "the case had a recording and a take");
    }

    private static ArrivedFile ofJson(Path file) {
        String schema = Json.read(file).path("schema").asString("");
        if (schema.startsWith("verisonus.tone/")) return new ArrivedFile(file, Kind.TONE, "it says so");
        if (schema.startsWith("verisonus.rig/")) return new ArrivedFile(file, Kind.RIG, "it says so");
        throw new InputFault(file.toString(), schema.isEmpty()
                ? "it is JSON, but says nothing of what it holds"
                : "a " + schema + " document cannot be taken in here",
                "hand over a tone, your gear, a recording or a response");
    }

    private static byte[] head(Path file) {
        try (InputStream in = Files.newInputStream(file)) {
            return in.readNBytes(16);
        } catch (NoSuchFileException e) {
            throw new InputFault(file.toString(), "there is no such file", "check the name", e);
        } catch (IOException e) {
            throw new InputFault(file.toString(), "it cannot be read", "check the file", e);
        }
    }

    private static boolean isBurst(Sound sound) {
        if (sound.durationS() > LONGEST_IMPULSE_S || sound.peak() == 0) return false;
        float[] x = sound.mid();
        int peak = 0;
        double all = 0;
        for (int i = 0; i < x.length; i++) {
            all += (double) x[i] * x[i];
            if (Math.abs(x[i]) > Math.abs(x[peak])) peak = i;
        }
        int until = Math.min(x.length, peak + (int) (BURST_S * sound.rateHz()));
        double burst = 0;
        for (int i = Math.max(0, peak - (int) (0.01 * sound.rateHz())); i < until; i++) burst += (double) x[i] * x[i];
        return peak < PEAK_WITHIN_S * sound.rateHz() && burst > IN_BURST * all;
    }
}
