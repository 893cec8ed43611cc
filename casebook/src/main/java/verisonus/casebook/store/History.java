package verisonus.casebook.store;

import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;

/**
 * Makes changes, takes them back and makes them again. A change and its logbook entry are one transaction; undo and redo
 * work on the entries, so they survive a restart. A new change drops what could have been made again.
 */
final class History {
    /** What a change does. */
    interface Work<T> {
        T in(Change change) throws SQLException;
    }

    private final Sql sql;
    private final Clock clock;

    History(Sql sql, Clock clock) {
        this.sql = sql;
        this.clock = clock;
    }

    <T> T change(String text, Optional<Long> caseId, Work<T> work) throws SQLException {
        return inTransaction(() -> {
            Change change = new Change(sql);
            T result = work.in(change);
            sql.run("UPDATE logbook SET state = 'dropped' WHERE state = 'undone'");
            long entry = sql.insert("INSERT INTO logbook (at, text, case_id, state) VALUES (?, ?, ?, 'done')",
                    clock.instant().truncatedTo(ChronoUnit.SECONDS).toString(), text, caseId.orElse(null));
            int ordinal = 0;
            for (Change.Step s : change.steps()) {
                sql.run("INSERT INTO logbook_row (logbook_id, ordinal, table_name, row_id, before, after)"
                        + " VALUES (?, ?, ?, ?, ?, ?)", entry, ordinal++, s.table(), s.id(), s.before(), s.after());
            }
            return result;
        });
    }

    /** Takes the last change back. @return what it was, empty where there is none */
    Optional<String> undo() throws SQLException {
        return step("SELECT id, text FROM logbook WHERE state = 'done' ORDER BY id DESC LIMIT 1",
                "SELECT table_name, row_id, before FROM logbook_row WHERE logbook_id = ? ORDER BY ordinal DESC",
                "undone");
    }

    /** Makes the change taken back last again. */
    Optional<String> redo() throws SQLException {
        return step("SELECT id, text FROM logbook WHERE state = 'undone' ORDER BY id LIMIT 1",
                "SELECT table_name, row_id, after FROM logbook_row WHERE logbook_id = ? ORDER BY ordinal", "done");
    }

    private record Entry(long id, String text) {}

    private record Image(String table, long id, Optional<String> values) {}

    private Optional<String> step(String which, String rows, String becomes) throws SQLException {
        Optional<Entry> entry = sql.list(which, r -> new Entry(r.getLong(1), r.getString(2))).stream().findFirst();
        if (entry.isEmpty()) return Optional.empty();
        return inTransaction(() -> {
            List<Image> images = sql.list(rows,
                    r -> new Image(r.getString(1), r.getLong(2), Optional.ofNullable(r.getString(3))),
                    entry.get().id());
            for (Image i : images) Change.restore(sql, i.table(), i.id(), i.values().orElse(null));
            sql.run("UPDATE logbook SET state = ? WHERE id = ?", becomes, entry.get().id());
            return Optional.of(entry.get().text());
        });
    }

    List<LogEntry> entries() throws SQLException {
        return sql.list("SELECT id, at, text, state FROM logbook WHERE state <> 'dropped' ORDER BY id DESC",
                r -> new LogEntry(r.getLong(1), Instant.parse(r.getString(2)), r.getString(3),
                        r.getString(4).equals("undone")));
    }

    /** Those of one case. */
    List<LogEntry> entries(long caseId) throws SQLException {
        return sql.list("SELECT id, at, text, state FROM logbook WHERE state = 'done' AND case_id = ? ORDER BY id DESC",
                r -> new LogEntry(r.getLong(1), Instant.parse(r.getString(2)), r.getString(3), false), caseId);
    }

    private interface Steps<T> {
        T run() throws SQLException;
    }

    private <T> T inTransaction(Steps<T> steps) throws SQLException {
        sql.connection().setAutoCommit(false);
        try {
            T result = steps.run();
            sql.connection().commit();
            return result;
        } catch (SQLException | RuntimeException e) {
            sql.connection().rollback();
            throw e;
        } finally {
            sql.connection().setAutoCommit(true);
        }
    }
}
