package verisonus.casebook.store;

import java.sql.Connection;
import java.sql.PreparedStatement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** Statements with their values bound, on one connection. */
record Sql(Connection connection) {
    /** Makes a value of one row. */
    interface Row<T> {
        T of(ResultSet row) throws SQLException;
    }

    <T> List<T> list(String sql, Row<T> row, Object... values) throws SQLException {
        try (PreparedStatement s = bound(sql, values); ResultSet r = s.executeQuery()) {
            List<T> out = new ArrayList<>();
            while (r.next()) out.add(row.of(r));
            return out;
        }
    }

    /**
     * A text that every row of a casebook has there.
     *
     * @throws IllegalArgumentException where it has none: another program wrote the row
     */
    static String text(ResultSet r, int column) throws SQLException {
        String out = r.getString(column);
        if (out == null)
            throw new IllegalArgumentException("nothing in " + r.getMetaData().getColumnLabel(column));
        return out;
    }

    void run(String sql, @Nullable Object... values) throws SQLException {
        try (PreparedStatement s = bound(sql, values)) {
            s.execute();
        }
    }

    long insert(String sql, @Nullable Object... values) throws SQLException {
        run(sql, values);
        return list("SELECT last_insert_rowid()", r -> r.getLong(1)).get(0);
    }

    private PreparedStatement bound(String sql, @Nullable Object... values) throws SQLException {
        PreparedStatement s = connection.prepareStatement(sql);
        for (int i = 0; i < values.length; i++) s.setObject(i + 1, values[i]);
        return s;
    }
}
