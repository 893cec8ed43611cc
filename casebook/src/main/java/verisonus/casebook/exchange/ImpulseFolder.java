package verisonus.casebook.exchange;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import verisonus.core.rig.Impulse;
import verisonus.core.simulate.loudspeaker.ImpulseCharacter;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * The impulse responses of a folder and all below it, described. Only what describes them is kept; a chosen one is read again.
 *
 * @param entries by name
 * @param skipped files that could not be read, with why
 */
public record ImpulseFolder(List<Entry> entries, List<String> skipped) {
    /** Peak under which nothing would be heard: 100 dB under full scale. */
    private static final float SILENT = 1e-5f;

    /** A file and what it sounds like. */
    public record Entry(Path file, String name, ImpulseCharacter character) {}

    /**
     * What is known from earlier is not read again.
     *
     * @throws InputFault where the folder cannot be read or holds no WAV file
     */
    public static ImpulseFolder read(Path folder, Progress progress) {
        return read(folder, ImpulseIndex.ofPlayer(), progress);
    }

    static ImpulseFolder read(Path folder, ImpulseIndex index, Progress progress) {
        List<Path> files;
        try (Stream<Path> all = Files.walk(folder)) {
            files = all.filter(f -> f.toString().toLowerCase(Locale.ROOT).endsWith(".wav")).sorted().toList();
        } catch (IOException | java.io.UncheckedIOException e) {
            throw new InputFault(folder.toString(), "the folder cannot be read", "name a folder of WAV files", e);
        }
        if (files.isEmpty()) throw new InputFault(folder.toString(), "it holds no WAV file", "name another folder");
        List<Entry> entries = new ArrayList<>();
        List<String> skipped = new ArrayList<>();
        try {
            for (Path f : files) {
                progress.step((double) (entries.size() + skipped.size()) / files.size(), "reading " + f.getFileName());
                try {
                    entries.add(new Entry(f, folder.relativize(f).toString(), described(f, index)));
                } catch (InputFault e) {
                    skipped.add(folder.relativize(f) + ": " + e.getMessage());
                }
            }
        } finally {
            // Also what was read before a cancel need not be read again.
            index.save();
        }
        return new ImpulseFolder(entries, skipped);
    }

    private static ImpulseCharacter described(Path file, ImpulseIndex index) {
        Optional<ImpulseCharacter> known = index.find(file);
        if (known.isPresent()) return known.get();
        ImpulseCharacter read = ImpulseCharacter.of(impulse(file));
        index.keep(file, read);
        return read;
    }

    /** @throws InputFault where no loudspeaker could be heard through it */
    public static Impulse impulse(Path file) {
        var sound = SoundReader.read(file).sound();
        if (sound.peak() < SILENT) throw new InputFault(file.toString(), "it is silent", "choose another response");
        try {
            return new Impulse(String.valueOf(file.getFileName()), sound);
        } catch (IllegalArgumentException e) {
            throw new InputFault(file.toString(), String.valueOf(e.getMessage()), "choose another response", e);
        }
    }
}
