package verisonus.casebook.store;

import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;

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
        Optional<Entry> entry = sql.list(which, r -> new Entry(r.getLong(1), Sql.text(r, 2))).stream().findFirst();
        if (entry.isEmpty()) return Optional.empty();
        return inTransaction(() -> {
            List<Image> images = sql.list(rows,
                    r -> new Image(Sql.text(r, 1), r.getLong(2), Optional.ofNullable(r.getString(3))),
                    entry.get().id());
            for (Image i : images) Change.restore(sql, i.table(), i.id(), i.values().orElse(null));
            sql.run("UPDATE logbook SET state = ? WHERE id = ?", becomes, entry.get().id());
            return Optional.of(entry.get().text());
        });
    }

    private static final String ENTRIES = """
            SELECT l.id, l.at, l.text, l.state, l.case_id, json_extract(t.before, '$.gap_jnd'),
                   json_extract(t.after, '$.gap_jnd'), n.text
            FROM logbook l
            LEFT JOIN logbook_row t ON t.logbook_id = l.id AND t.table_name = 'tone'
            LEFT JOIN moment_note n ON n.logbook_id = l.id
            """;

    List<LogEntry> entries() throws SQLException {
        return sql.list(ENTRIES + "WHERE l.state <> 'dropped' ORDER BY l.id DESC", History::entry);
    }

    /** Those of one case. */
    List<LogEntry> entries(long caseId) throws SQLException {
        return sql.list(ENTRIES + "WHERE l.state = 'done' AND l.case_id = ? ORDER BY l.id DESC", History::entry,
                caseId);
    }

    private static LogEntry entry(java.sql.ResultSet r) throws SQLException {
        long caseId = r.getLong(5);
        OptionalLong of = r.wasNull() ? OptionalLong.empty() : OptionalLong.of(caseId);
        String note = r.getString(8);
        return new LogEntry(r.getLong(1), Instant.parse(Sql.text(r, 2)), Sql.text(r, 3),
                Sql.text(r, 4).equals("undone"), of, number(r, 6), number(r, 7), note == null ? "" : note);
    }

    private static OptionalDouble number(java.sql.ResultSet r, int column) throws SQLException {
        double v = r.getDouble(column);
        return r.wasNull() ? OptionalDouble.empty() : OptionalDouble.of(v);
    }

    /** Tables' rows of one kind as an entry left them. */
    List<String> after(long entry, String table) throws SQLException {
        return sql.list("SELECT after FROM logbook_row WHERE logbook_id = ? AND table_name = ? AND after IS NOT NULL",
                r -> Sql.text(r, 1), entry, table);
    }

    /** Takes changes back until this one is the last that stands. @return how many */
    int backTo(long entry) throws SQLException {
        int n = 0;
        while (!sql.list("SELECT id FROM logbook WHERE state = 'done' AND id > ?", r -> r.getLong(1), entry)
                .isEmpty()) {
            if (undo().isEmpty()) break;
            n++;
        }
        return n;
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
