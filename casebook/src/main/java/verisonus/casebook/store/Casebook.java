package verisonus.casebook.store;

import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.SQLException;
import java.time.Clock;
import java.time.DateTimeException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.core.rig.Rig;
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
    private final Recordings recordings;
    private final Tones tones;
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
        this.recordings = new Recordings(this, sql);
        this.tones = new Tones(this);
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

    /** Recordings, their regions and what was measured there. */
    public Recordings recordings() {
        return recordings;
    }

    /** The tone of each case. */
    public Tones tones() {
        return tones;
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
                r -> new CaseEntry(r.getLong(1), Sql.text(r, 2), Sql.text(r, 3), Sql.text(r, 4))));
    }

    /** The player's gear; everything that can be simulated where none was named. */
    public synchronized Rig rig() {
        return read(() -> sql.list("SELECT document FROM rig ORDER BY id LIMIT 1",
                r -> ToneJson.readRig(file.toString(), Json.parse(file.toString(), Sql.text(r, 1)))))
                .stream().findFirst().orElseGet(Rig::everything);
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

    /** Keeps the one document of a table. */
    synchronized void keepOnly(String table, String document, String text) {
        change(text, Optional.empty(), c -> {
            List<Long> there = sql.list("SELECT id FROM " + table, r -> r.getLong(1));
            if (there.isEmpty()) return c.insert(table, Map.of("document", document));
            c.update(table, there.get(0), Map.of("document", document));
            return there.get(0);
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

    interface Reading<T> {
        T run() throws SQLException;
    }

    private <T> T read(Reading<T> reading) {
        try {
            return reading.run();
        } catch (SQLException e) {
            throw StoreFault.of(file.toString(), e);
        } catch (IllegalArgumentException | DateTimeException e) {
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
