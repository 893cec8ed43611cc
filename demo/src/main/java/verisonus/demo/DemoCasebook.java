package verisonus.demo;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.EvidenceJson;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.MeasuredJson;
import verisonus.casebook.exchange.TravelJson;
import verisonus.casebook.exchange.TrimJson;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.DerivedToneJson;
import verisonus.casebook.store.Goal;
import verisonus.casebook.store.Measurement;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.compare.GapRow;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Tone;
import verisonus.core.search.Derivation;
import verisonus.core.search.SearchOptions;
import verisonus.core.search.ToneSearch;
import verisonus.core.sound.Sound;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.trim.Trim;
import verisonus.core.travel.trim.TrimSolver;
import verisonus.core.work.Progress;

/** "The Nine Lanterns Radio Hour": the casebook a newcomer starts with. Four cases are derived, one is left to be. */
public final class DemoCasebook {
    /** What the casebook's file is called. */
    public static final String FILE_NAME = "nine-lanterns.casebook";

    private static final int TOLD_APART = 11;

    private DemoCasebook() {}

    /** Writes the casebook to a file that is not there yet, from the parts that ship. */
    public static void writeTo(Path file) {
        try (Casebook book = Casebook.create(file)) {
            book.keepRig(DemoRig.rig());
            addCase(book, Recipe.GLASS_HARBOUR, "Act one, under the narrator. Chimes, sways, answers itself.");
            addCase(book, Recipe.LANTERN_STREET,
                    "The street lamps come on. Near break-up, sways; something wide hides in it.");
            addCase(book, Recipe.SALT_AND_STATIC,
                    "The chase. Hard picking, one microphone in the room, a band on top. Needed as rhythm, lead and clean.");
            long winter = addCase(book, Recipe.WINTER_KIOSK,
                    "The locked door. Tight, gated, covered but for one bar.");
            // An earlier record of the same artist: what stays is the signature.
            long earlier = addMedium(book, winter, Medium.Role.REFERENCE, Recipe.SALT_AND_STATIC, "reference");
            DemoRegion alone = DemoRegion.of(Recipe.SALT_AND_STATIC);
            keepMeasured(book, book.recordings().addRegion(earlier, Region.Role.CORE_TONE, alone.fromS(), alone.toS()),
                    Recipe.SALT_AND_STATIC);
            addCase(book, Recipe.SLOW_COMET,
                    "The last scene. A lead with dark repeats and a hall that answers late.");
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

    private static long addCase(Casebook book, Recipe recipe, String note) {
        long id = book.addCase(recipe.title(), recipe.artist(), note);
        long reference = addMedium(book, id, Medium.Role.REFERENCE, recipe, "reference");
        addMedium(book, id, Medium.Role.DI, recipe, "di");
        if (recipe.hasBacking()) addMedium(book, id, Medium.Role.BACKING, recipe, "backing");
        DemoRegion where = DemoRegion.of(recipe);
        long region = book.recordings().addRegion(reference, Region.Role.CORE_TONE, where.fromS(), where.toS());
        if (!where.derived()) return id;
        keepMeasured(book, region, recipe);
        DerivedTone tone = DerivedToneJson.read("demo", Json.text(DemoParts.json(recipe, "tone")));
        book.tones().keepTone(id, tone, "Derived a tone for " + recipe.title());
        DemoParts.json(recipe, "trims").path("systems").properties().forEach(t -> book.travels().keepTrim(id,
                PlaybackSystem.find(t.getKey()).orElseThrow(), TrimJson.read("demo", t.getValue())));
        DemoPerformance.keep(book.performances(), id, DemoParts.json(recipe, "perform"));
        Optional<GapRow> most = tone.gap().rows().stream().max(Comparator.comparingDouble(GapRow::audibility));
        if (recipe == Recipe.GLASS_HARBOUR) {
            DemoEars.trial(book, id, where, TOLD_APART, most);
            DemoEars.rating(book, id);
            DemoEars.training(book);
        }
        if (recipe == Recipe.SLOW_COMET) DemoEars.trial(book, id, where, 0, most);
        where.heard().forEach((system, words) -> book.travels().keepNote(id,
                PlaybackSystem.find(system).orElseThrow(), words));
        return id;
    }

    private static void keepMeasured(Casebook book, long region, Recipe recipe) {
        JsonNode measured = DemoParts.json(recipe, "evidence");
        book.recordings().keepMeasurement(region,
                Measurement.of(MeasuredJson.read("demo", Json.text(measured.get("measured"))),
                        Json.text(measured.get("document"))));
    }

    private static long addMedium(Casebook book, long id, Medium.Role role, Recipe recipe, String part) {
        String name = DemoParts.fileName(recipe, part);
        return book.recordings().addMedium(id, role, name, DemoParts.bytes(name));
    }

    /** What the window would measure in a case's region. */
    static String evidence(Recipe recipe, Sound reference) {
        DemoRegion where = DemoRegion.of(recipe);
        Evidence evidence = Examination.of(where.cut(reference), Progress.NONE);
        ObjectNode out = Json.object();
        out.set("measured", MeasuredJson.tree(evidence));
        out.set("document", EvidenceJson.write(DemoParts.fileName(recipe, "reference"), where.fromS(), where.toS(),
                reference.rateHz(), reference.durationS(), evidence));
        return Json.text(out);
    }

    /** Derives a case's tone as the window would. */
    static DerivedTone derivedTone(Recipe recipe, Sound reference, Sound di, ExecutorService workers) {
        DemoRegion where = DemoRegion.of(recipe);
        Derivation d = new ToneSearch(where.cut(reference), di, SearchOptions.defaults().withRig(DemoRig.rig()),
                workers, Progress.NONE).run();
        return DerivedTone.of(d, Optional.empty(), Locks.NONE, where.fromS(), DemoRig.rig(), Goal.EXACT);
    }

    /** What to turn on each playback system. */
    static String trims(Tone tone, Sound di) {
        TrimSolver solver = new TrimSolver(tone, di, PlaybackSystem.WORKING_LEVEL_DB_SPL, true, Progress.NONE);
        Map<String, Trim> out = new LinkedHashMap<>();
        for (PlaybackSystem s : PlaybackSystem.ALL) out.put(s.id(), solver.on(s));
        return Json.text(TravelJson.trims(out, Optional.empty()));
    }

    static List<Recipe> recipes() {
        return List.of(Recipe.values());
    }
}
