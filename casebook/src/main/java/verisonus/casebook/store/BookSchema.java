package verisonus.casebook.store;

import java.sql.Connection;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import verisonus.core.work.InputFault;

/** Are the tables of a file those of a casebook, and nothing beside them: no view, no trigger, nothing that would run by itself? */
final class BookSchema {
    private static final String OBJECTS = "SELECT type || ' ' || name || ' ' || coalesce(sql, '') FROM sqlite_master"
            + " WHERE name NOT LIKE 'sqlite_%'";
    private static final String TABLES = "SELECT name FROM sqlite_master WHERE type = 'table' AND name NOT LIKE 'sqlite_%'";
    private static final Set<String> EXPECTED;
    private static final Set<String> NAMES;

    static {
        try (Connection fresh = DriverManager.getConnection("jdbc:sqlite::memory:")) {
            Migrations.apply("a new casebook", fresh);
            Sql sql = new Sql(fresh);
            EXPECTED = set(sql.list(OBJECTS, r -> r.getString(1)));
            NAMES = Set.copyOf(sql.list(TABLES, r -> r.getString(1)));
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    private BookSchema() {}

    private static Set<String> set(List<String> objects) {
        return objects.stream().map(o -> o.replaceAll("--[^\\n]*", " ").replaceAll("\\s+", " ").strip())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** Whether a casebook has a table of this name. */
    static boolean hasTable(String name) {
        return NAMES.contains(name);
    }

    /** @throws InputFault where anything else stands there */
    static void check(String file, Connection connection) throws SQLException {
        Set<String> there = set(new Sql(connection).list(OBJECTS, r -> r.getString(1)));
        if (there.equals(EXPECTED)) return;
        boolean runs = there.stream().anyMatch(o -> o.startsWith("view ") || o.startsWith("trigger "));
        throw new InputFault(file, runs
                ? "it holds what no casebook holds: a view or a trigger"
                : "its tables are not those of a casebook", "open a copy from before it was changed");
    }
}
