package verisonus.demo;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.DerivedToneJson;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;

/** Plays all recipes and writes the parts that ship. Run once whenever a recipe or a processor has changed. */
final class DemoBuild {
    private DemoBuild() {}

    /** @param args the folder that the parts go to */
    public static void main(String[] args) throws IOException {
        Path folder = Path.of(args[0]);
        for (Recipe r : DemoCasebook.recipes()) {
            Sound reference = r.reference();
            Sound di = r.di();
            write(folder, r, "reference", reference);
            write(folder, r, "di", di);
            if (r.hasBacking()) write(folder, r, "backing", r.backing());
            Files.writeString(DemoParts.jsonFile(folder, r, "evidence"), DemoCasebook.evidence(r, reference));
            if (DemoRegion.of(r).derived()) study(folder, r, reference, di);
        }
    }

    /** What the program makes of a case; the recipe's own settings stay unknown to it. */
    private static void study(Path folder, Recipe r, Sound reference, Sound di) throws IOException {
        ExecutorService workers = Executors.newFixedThreadPool(2);
        try {
            DerivedTone tone = DemoCasebook.derivedTone(r, reference, di, workers);
            Files.writeString(DemoParts.jsonFile(folder, r, "tone"), DerivedToneJson.write(tone));
            Files.writeString(DemoParts.jsonFile(folder, r, "trims"), DemoCasebook.trims(tone.tone(), di));
            Files.writeString(DemoParts.jsonFile(folder, r, "perform"), DemoPerformance.document(r, tone.tone(), di));
        } finally {
            workers.shutdownNow();
        }
    }

    private static void write(Path folder, Recipe r, String part, Sound sound) throws IOException {
        Files.write(folder.resolve(DemoParts.fileName(r, part)), SoundWriter.encode(sound, SoundWriter.Format.FLAC_16));
    }
}
