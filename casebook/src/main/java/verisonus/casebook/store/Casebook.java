package verisonus.casebook.store;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.core.evidence.study.Course;
import verisonus.core.rig.Rig;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.OutputFault;

/**
 * A player's cases, recordings, evidence, tones and logbook in one file. Every method may be called from any thread; each
 * change is written when the method returns. A kill loses at most the change under way.
 */
public final class Casebook implements AutoCloseable {
    private final Path file;
    private final BookConnection connection;
    private final Sql sql;
    private final History history;
    private final SoundStore sounds;
    private final TravelShelf travels;
    private final PerformShelf performances = new PerformShelf(this);
    private final ListeningShelf listening = new ListeningShelf(this);
    private final Moments moments;
    private final TrialShelf trials;
    private final Judgements judgements;

    private Casebook(Path file, BookConnection connection, Clock clock) {
        this.file = file;
        this.connection = connection;
        this.sql = new Sql(connection.connection());
        this.history = new History(sql, clock);
        this.sounds = new SoundStore(sql);
        this.travels = new TravelShelf(this);
        this.moments = new Moments(this, history);
        this.trials = new TrialShelf(this);
        this.judgements = new Judgements(this);
    }

    /** Opens a casebook that is there. */
    public static Casebook open(Path file) {
        if (Files.isDirectory(file)) throw new InputFault(file.toString(), "it is a folder", "name a .casebook file");
        if (!Files.exists(file)) {
            throw new InputFault(file.toString(), "there is no such file", "check the name");
        }
        return connect(file, Clock.systemUTC());
    }

    /** Makes a new casebook; refuses to replace a file. */
    public static Casebook create(Path file) {
        return create(file, Clock.systemUTC());
    }

    /** @param clock dates the logbook */
    public static Casebook create(Path file, Clock clock) {
        if (Files.exists(file)) throw new InputFault(file.toString(), "it exists already", "choose another name");
        try {
            return connect(file, clock);
        } catch (RuntimeException e) {
            BookConnection.tidy(file);
            throw e;
        }
    }

    private static Casebook connect(Path file, Clock clock) {
        return new Casebook(file, BookConnection.open(file), clock);
    }

    /** Whether it can be changed here; not where another opening holds it or it lies where nothing can be written. */
    public boolean isReadOnly() {
        return connection.isReadOnly();
    }

    /** Why it cannot be changed, in words for the player; empty where it can. */
    public String readOnlyWords() {
        return isReadOnly()
                ? file.getFileName() + " can be read and heard, not changed: " + (Files.isWritable(file)
                        ? BookLock.holder(file) + " has it open"
                        : "it lies where nothing can be written")
                : "";
    }

    public Path file() {
        return file;
    }

    /** What the player says of findings, gear, words and feel. */
    public Judgements judgements() {
        return judgements;
    }

    /** Blind trials. */
    public TrialShelf trials() {
        return trials;
    }

    /** Moments of the logbook. */
    public Moments moments() {
        return moments;
    }

    /** Ratings, picks, own steps and training. */
    public ListeningShelf listening() {
        return listening;
    }

    /** How tones are played: variants, tempo, pedals, songs. */
    public PerformShelf performances() {
        return performances;
    }

    /** Playback systems, trims and what was heard on them. */
    public TravelShelf travels() {
        return travels;
    }

    /** Cases in the player's order. */
    public synchronized List<CaseEntry> cases() {
        return read(() -> sql.list("SELECT id, name, artist, note FROM tone_case ORDER BY position, id",
                r -> new CaseEntry(r.getLong(1), r.getString(2), r.getString(3), r.getString(4))));
    }

    /** Recordings of a case, references first. */
    public synchronized List<Medium> media(long caseId) {
        return read(() -> sql.list("""
                SELECT m.id, m.role, m.title, m.hash, CAST(r.frames AS REAL) / r.rate_hz
                FROM medium m JOIN recording r ON r.hash = m.hash WHERE m.case_id = ?
                ORDER BY m.role = 'reference' DESC, m.role = 'di' DESC, m.position, m.id""",
                r -> new Medium(r.getLong(1), caseId, Medium.Role.of(r.getString(2)), r.getString(3), r.getString(4),
                        r.getDouble(5)),
                caseId));
    }

    public synchronized List<Region> regions(long mediumId) {
        return read(() -> sql.list(
                "SELECT id, role, from_s, to_s FROM region WHERE medium_id = ? ORDER BY from_s, id",
                r -> new Region(r.getLong(1), mediumId, Region.Role.of(r.getString(2)), r.getDouble(3),
                        r.getDouble(4)),
                mediumId));
    }

    /** What was measured in a region; empty where it was not, or where the region has moved since. */
    public synchronized Optional<Measurement> measurement(long regionId) {
        return read(() -> sql.list("SELECT findings, document, measured FROM evidence WHERE region_id = ?",
                r -> FindingsJson.measurement(file.toString(), r.getString(1), r.getString(2), r.getString(3)),
                regionId))
                .stream()
                .findFirst();
    }

    public synchronized Optional<DerivedTone> tone(long caseId) {
        return read(() -> sql.list("SELECT derived FROM tone WHERE case_id = ?",
                r -> DerivedToneJson.read(file.toString(), r.getString(1)), caseId)).stream().findFirst();
    }

    /** Models of a case's tone whose simulation sounds otherwise than when the tone was kept. */
    public synchronized List<String> outdated(long caseId) {
        return read(() -> sql.list("SELECT derived FROM tone WHERE case_id = ?",
                r -> DerivedToneJson.outdated(file.toString(), r.getString(1)), caseId)).stream().findFirst()
                .orElse(List.of());
    }

    /** The most audible remaining difference of each case that has a tone, JND by case. */
    public synchronized Map<Long, Double> gapsJnd() {
        // A tone that an earlier program kept has its gap in its document only.
        return read(() -> sql.list("SELECT case_id, gap_jnd, CASE WHEN gap_jnd IS NULL THEN derived END FROM tone",
                r -> Map.entry(r.getLong(1), r.getString(3) == null
                        ? r.getDouble(2)
                        : DerivedToneJson.read(file.toString(), r.getString(3)).gap().scoreJnd())))
                .stream().collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    /** The player's gear; everything that can be simulated where none was named. */
    public synchronized Rig rig() {
        return read(() -> sql.list("SELECT document FROM rig ORDER BY id LIMIT 1",
                r -> ToneJson.readRig(file.toString(), Json.parse(file.toString(), r.getString(1)))))
                .stream().findFirst().orElseGet(Rig::everything);
    }

    /** A recording's sound; decodes it anew each time, while others may read. */
    public Sound sound(String hash) {
        return stored(hash).decoded();
    }

    private synchronized SoundStore.Stored stored(String hash) {
        return read(() -> sounds.stored(hash));
    }

    /** How a recording runs, where it was drawn before. */
    public synchronized Optional<Course> course(String hash) {
        return read(() -> sql.list("SELECT document FROM course WHERE hash = ?",
                r -> Json.value(file.toString(), Json.parse(file.toString(), r.getString(1)), Course.class), hash))
                .stream().findFirst();
    }

    /** Keeps how a recording runs; no change of the player's, so undo passes it by. */
    public synchronized void keepCourse(String hash, Course course) {
        if (isReadOnly()) return;
        read(() -> {
            sql.run("INSERT INTO course (hash, document) VALUES (?, ?) ON CONFLICT (hash) DO NOTHING", hash,
                    Json.text(Json.tree(course)));
            return hash;
        });
    }

    /** All changes that stand or can be made again, newest first. */
    public synchronized List<LogEntry> logbook() {
        return read(history::entries);
    }

    /** Changes of one case that stand, newest first. */
    public synchronized List<LogEntry> logbook(long caseId) {
        return read(() -> history.entries(caseId));
    }

    public synchronized long addCase(String name, String artist, String note) {
        return change("New case " + name, Optional.empty(),
                c -> c.insert("tone_case", Map.of("name", name, "artist", artist, "note", note, "position",
                        sql.list("SELECT coalesce(max(position), 0) + 1 FROM tone_case", r -> r.getLong(1)).get(0))));
    }

    public synchronized void renameCase(long caseId, String name) {
        change("Renamed the case to " + name, Optional.of(caseId), c -> {
            c.update("tone_case", caseId, Map.of("name", name));
            return caseId;
        });
    }

    /**
     * Keeps a recording and gives it a part in a case.
     *
     * @param bytes the audio file as it is
     * @return the medium's id
     * @throws InputFault where it is not sound
     */
    public long addMedium(long caseId, Medium.Role role, String fileName, byte[] bytes) {
        return add(caseId, role, SoundStore.Recording.of(fileName, bytes));
    }

    private synchronized long add(long caseId, Medium.Role role, SoundStore.Recording recording) {
        String fileName = recording.fileName();
        return change("Added " + fileName + " as " + role.column(), Optional.of(caseId), c -> {
            sounds.add(recording);
            int dot = fileName.lastIndexOf('.');
            return c.insert("medium", Map.of("case_id", caseId, "role", role.column(), "title",
                    dot > 0 ? fileName.substring(0, dot) : fileName, "hash", recording.hash(), "position",
                    sql.list("SELECT count(*) FROM medium WHERE case_id = ?", r -> r.getLong(1), caseId).get(0)));
        });
    }

    /** @return the region's id */
    public synchronized long addRegion(long mediumId, Region.Role role, double fromS, double toS) {
        return change("Marked " + span(fromS, toS) + " as " + role.words(), caseOf(mediumId),
                c -> c.insert("region", Map.of("medium_id", mediumId, "role", role.words(), "from_s", fromS, "to_s",
                        toS)));
    }

    /** Moves or re-labels a region; what was measured in it no longer holds and goes. */
    public synchronized void updateRegion(Region region) {
        change("Moved " + region.role().words() + " to " + span(region.fromS(), region.toS()),
                caseOf(region.mediumId()), c -> {
                    deleteEvidence(c, region.id());
                    c.update("region", region.id(), Map.of("role", region.role().words(), "from_s", region.fromS(),
                            "to_s", region.toS()));
                    return region.id();
                });
    }

    public synchronized void removeRegion(Region region) {
        change("Removed " + region.role().words() + " " + span(region.fromS(), region.toS()),
                caseOf(region.mediumId()), c -> {
                    deleteEvidence(c, region.id());
                    judgements.deleteVerdicts(c, region.id(), Optional.empty());
                    c.delete("region", region.id());
                    return region.id();
                });
    }

    private void deleteEvidence(Change c, long regionId) throws SQLException {
        for (long id : sql.list("SELECT id FROM evidence WHERE region_id = ?", r -> r.getLong(1), regionId)) {
            c.delete("evidence", id);
        }
    }

    public synchronized void keepMeasurement(long regionId, Measurement measurement) {
        change("Measured a region: " + measurement.findings().size() + " findings", caseOfRegion(regionId), c -> {
            deleteEvidence(c, regionId);
            return c.insert("evidence", FindingsJson.row(regionId, measurement));
        });
    }

    /** @param text what was done, for the logbook */
    public synchronized void keepTone(long caseId, DerivedTone tone, String text) {
        String document = DerivedToneJson.write(tone);
        change(text, Optional.of(caseId), c -> {
            List<Long> there = sql.list("SELECT id FROM tone WHERE case_id = ?", r -> r.getLong(1), caseId);
            double gapJnd = tone.gap().scoreJnd();
            if (there.isEmpty())
                return c.insert("tone", Map.of("case_id", caseId, "derived", document, "gap_jnd", gapJnd));
            c.update("tone", there.get(0), Map.of("derived", document, "gap_jnd", gapJnd));
            return there.get(0);
        });
    }

    /** Keeps the one document of a table. */
    synchronized void keepOnly(String table, String document, String text) {
        change(text, Optional.empty(), c -> {
            List<Long> there = sql.list("SELECT id FROM " + table, r -> r.getLong(1));
            if (there.isEmpty()) return c.insert(table, Map.of("document", document));
            c.update(table, there.get(0), Map.of("document", document));
            return there.get(0);
        });
    }

    /** Gives a recording another part in its case. */
    public synchronized void changeRole(Medium medium, Medium.Role role) {
        change(medium.title() + " is now the " + role.column(), Optional.of(medium.caseId()), c -> {
            c.update("medium", medium.id(), Map.of("role", role.column()));
            return medium.id();
        });
    }

    /** Takes a recording out of its case, with its regions and what was measured in them; undo brings all back. */
    public synchronized void removeMedium(Medium medium) {
        change("Removed " + medium.title(), Optional.of(medium.caseId()), c -> {
            for (Region r : regions(medium.id())) {
                deleteEvidence(c, r.id());
                judgements.deleteVerdicts(c, r.id(), Optional.empty());
                c.delete("region", r.id());
            }
            c.delete("medium", medium.id());
            return medium.id();
        });
    }

    public synchronized void keepRig(Rig rig) {
        keepOnly("rig", Json.text(ToneJson.write(rig)), "Changed the gear list");
    }

    /** Takes the last change back. @return what it was */
    public synchronized Optional<String> undo() {
        requireWritable();
        return read(history::undo);
    }

    public synchronized Optional<String> redo() {
        requireWritable();
        return read(history::redo);
    }

    private static String span(double fromS, double toS) {
        return Figures.of("%.1f–%.1f s", fromS, toS);
    }

    private Optional<Long> caseOf(long mediumId) {
        return read(() -> sql.list("SELECT case_id FROM medium WHERE id = ?", r -> r.getLong(1), mediumId)).stream()
                .findFirst();
    }

    synchronized Optional<Long> caseOfRegion(long regionId) {
        return read(() -> sql.list("SELECT m.case_id FROM region r JOIN medium m ON m.id = r.medium_id WHERE r.id = ?",
                r -> r.getLong(1), regionId)).stream().findFirst();
    }

    interface Reading<T> {
        T run() throws SQLException;
    }

    private <T> T read(Reading<T> reading) {
        try {
            return reading.run();
        } catch (SQLException e) {
            throw StoreFault.of(file.toString(), e);
        } catch (IllegalArgumentException | java.time.DateTimeException | NullPointerException e) {
            throw new InputFault(file.toString(), "it holds something that no casebook holds (" + e.getMessage() + ")",
                    "open a copy from before it was changed", e);
        }
    }

    synchronized <T> T reading(Reading<T> reading) {
        return read(reading);
    }

    /** Writes what is no change of the player's and cannot be undone. */
    synchronized void overwritten(String statement, Object... values) {
        requireWritable();
        read(() -> {
            sql.run(statement, values);
            return true;
        });
    }

    synchronized <T> T goingBack(Reading<T> reading) {
        requireWritable();
        return read(reading);
    }

    synchronized <T> List<T> listed(String query, Sql.Row<T> row, Object... values) {
        return read(() -> sql.list(query, row, values));
    }

    synchronized <T> T changed(String text, Optional<Long> caseId, History.Work<T> work) {
        return change(text, caseId, work);
    }

    private <T> T change(String text, Optional<Long> caseId, History.Work<T> work) {
        requireWritable();
        try {
            return history.change(text, caseId, work);
        } catch (SQLException e) {
            throw StoreFault.of(file.toString(), e);
        }
    }

    private void requireWritable() {
        if (isReadOnly())
            throw new OutputFault(file.toString(), "it cannot be changed here: " + (Files.isWritable(file)
                    ? BookLock.holder(file) + " has it open"
                    : "it lies where nothing can be written"), "close it there, or work on a copy");
        if (!Files.exists(file))
            throw new OutputFault(file.toString(), "the casebook's file is gone; what is typed now would be lost",
                    "put it back where it was, then do it again");
    }

    /** Folds the write-ahead log into the file, so that it can be copied alone. */
    @Override
    public synchronized void close() {
        connection.close(file);
    }
}
