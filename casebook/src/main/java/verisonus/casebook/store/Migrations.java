package verisonus.casebook.store;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.sql.Connection;
import java.sql.SQLException;
import java.sql.Statement;
import org.jspecify.annotations.Nullable;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/** Brings a casebook's tables to what this program knows: numbered SQL files in order, counted by user_version. */
final class Migrations {
    /** "VRSN": tells a casebook from any other SQLite file. */
    static final int APPLICATION_ID = 0x5652534E;
    static final int NEWEST = 10;

    private Migrations() {}

    static void apply(String file, Connection connection) throws SQLException {
        Sql sql = new Sql(connection);
        int version = pragma(sql, "user_version");
        int application = pragma(sql, "application_id");
        boolean empty = sql.list("SELECT count(*) FROM sqlite_master", r -> r.getInt(1)).get(0) == 0;
        if (!empty && application != APPLICATION_ID) {
            throw new InputFault(file, "it is a database, but no casebook", "choose a file that ends in .casebook");
        }
        if (version < 0) {
            throw new InputFault(file, "its version cannot be (" + version + "): it is damaged",
                    "open a copy from before it was damaged");
        }
        if (version > NEWEST) {
            throw new InputFault(file, "a newer program wrote it (version " + version + ")",
                    "open it with that program, or update this one");
        }
        connection.setAutoCommit(false);
        try (Statement s = connection.createStatement()) {
            for (int next = version + 1; next <= NEWEST; next++) {
                for (String one : script(next).split(";\\s*\\n")) if (!one.isBlank()) s.execute(one);
                s.execute("PRAGMA user_version = " + next);
            }
            if (empty) s.execute("PRAGMA application_id = " + APPLICATION_ID);
            connection.commit();
        } catch (SQLException e) {
            connection.rollback();
            throw e;
        } finally {
            connection.setAutoCommit(true);
        }
    }

    private static int pragma(Sql sql, String name) throws SQLException {
        return sql.list("PRAGMA " + name, r -> r.getInt(1)).get(0);
    }

    private static String script(int number) {
        String name = Figures.of("%03d.sql", number);
        try (@Nullable
        InputStream in = Migrations.class.getResourceAsStream(name)) {
            if (in == null) throw new IllegalStateException("missing " + name);
            return new String(in.readAllBytes(), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
