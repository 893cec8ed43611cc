package verisonus.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import verisonus.casebook.exchange.EvidenceJson;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.DerivedToneJson;
import verisonus.casebook.store.Measurement;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.rig.Locks;
import verisonus.core.search.Derivation;
import verisonus.core.search.SearchOptions;
import verisonus.core.search.ToneSearch;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/** "The Nine Lanterns Radio Hour": the casebook a newcomer starts with. One case is derived, four are left to be. */
public final class DemoCasebook {
    /** What the casebook's file is called. */
    public static final String FILE_NAME = "nine-lanterns.casebook";
    private static final double GLASS_FROM_S = 0.3;
    private static final double GLASS_TO_S = 11.5;
    /** Where the guitar stands alone in the case that is left to be derived. */
    private static final double ALONE_TO_S = 4.8;
    private static final double LANTERN_TO_S = 13.5;
    private static final double WINTER_ALONE_TO_S = 2.3;
    private static final double COMET_TO_S = 16.5;

    private DemoCasebook() {}

    /** Writes the casebook to a file that is not there yet, from the parts that ship. */
    public static void writeTo(Path file) {
        try (Casebook book = Casebook.create(file)) {
            book.keepRig(DemoRig.rig());
            long glass = addCase(book, Recipe.GLASS_HARBOUR,
                    "Act one, under the narrator. Chimes, sways, answers itself.",
                    GLASS_FROM_S, GLASS_TO_S);
            book.keepTone(glass,
                    DerivedToneJson.read("demo",
                            new String(DemoParts.bytes("glass-harbour-tone.json"), StandardCharsets.UTF_8)),
                    "Derived a tone for Glass Harbour");
            addCase(book, Recipe.LANTERN_STREET,
                    "The street lamps come on. Near break-up, sways; something wide hides in it.",
                    0.2, LANTERN_TO_S);
            addCase(book, Recipe.SALT_AND_STATIC, "The chase. Hard picking, one microphone in the room, a band on top.",
                    0.2, ALONE_TO_S);
            long winter = addCase(book, Recipe.WINTER_KIOSK, "The locked door. Tight, gated, covered but for one bar.",
                    0.2,
                    WINTER_ALONE_TO_S);
            // An earlier record of the same artist: what stays is the signature.
            long earlier = addMedium(book, winter, Medium.Role.REFERENCE, Recipe.SALT_AND_STATIC, "reference");
            book.addRegion(earlier, Region.Role.CORE_TONE, 0.2, ALONE_TO_S);
            addCase(book, Recipe.SLOW_COMET, "The last scene. A lead with dark repeats and a hall that answers late.",
                    0.2,
                    COMET_TO_S);
        }
    }

    /** Writes the first case's recordings beside a casebook. @return their file names, in the order asked for */
    public static List<String> extract(Path casebook, Medium.Role... roles) {
        List<String> out = new ArrayList<>();
        for (Medium.Role role : roles) {
            String name = DemoParts.fileName(Recipe.GLASS_HARBOUR, role.name().toLowerCase(Locale.ROOT));
            Path file = casebook.resolveSibling(name);
            try {
                Files.write(file, DemoParts.bytes(name));
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
            out.add(file.toString());
        }
        return out;
    }

    private static long addCase(Casebook book, Recipe recipe, String note, double fromS, double toS) {
        long id = book.addCase(recipe.title(), recipe.artist(), note);
        long reference = addMedium(book, id, Medium.Role.REFERENCE, recipe, "reference");
        addMedium(book, id, Medium.Role.DI, recipe, "di");
        if (recipe.hasBacking()) addMedium(book, id, Medium.Role.BACKING, recipe, "backing");
        long region = book.addRegion(reference, Region.Role.CORE_TONE, fromS, toS);
        if (recipe == Recipe.GLASS_HARBOUR) book.keepMeasurement(region, measured(recipe, fromS, toS));
        return id;
    }

    private static long addMedium(Casebook book, long id, Medium.Role role, Recipe recipe, String part) {
        String name = DemoParts.fileName(recipe, part);
        return book.addMedium(id, role, name, DemoParts.bytes(name));
    }

    private static Measurement measured(Recipe recipe, double fromS, double toS) {
        Sound whole = verisonus.core.sound.SoundReader
                .decode("reference", DemoParts.bytes(DemoParts.fileName(recipe, "reference"))).sound();
        Evidence evidence = Examination.of(whole.slice(fromS, toS), Progress.NONE);
        return new Measurement(EvidenceSentences.of(evidence), Json.text(EvidenceJson.write(
                DemoParts.fileName(recipe, "reference"), fromS, toS, whole.rateHz(), whole.durationS(), evidence)));
    }

    /** Derives the tone of the case that ships derived, as the window would. */
    static String derivedTone(Sound reference, Sound di, ExecutorService workers) {
        Derivation d = new ToneSearch(reference.slice(GLASS_FROM_S, GLASS_TO_S), di,
                SearchOptions.defaults().withRig(DemoRig.rig()), workers, Progress.NONE).run();
        return DerivedToneJson.write(DerivedTone.of(d, Optional.empty(), Locks.NONE, GLASS_FROM_S));
    }

    static List<Recipe> recipes() {
        return List.of(Recipe.values());
    }
}
