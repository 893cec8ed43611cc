package verisonus.casebook.store;

import java.sql.ResultSetMetaData;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;

/**
 * One change under way: rows are written only through it, and it keeps what each row held before and after. Lives inside
 * one transaction of {@link History}.
 */
final class Change {
    /** A row before and after; null where it was not there. */
    record Step(String table, long id, @Nullable String before, @Nullable String after) {}

    private static final Pattern COLUMN = Pattern.compile("[a-z_]{1,40}");

    private final Sql sql;
    private final List<Step> steps = new ArrayList<>();

    Change(Sql sql) {
        this.sql = sql;
    }

    List<Step> steps() {
        return List.copyOf(steps);
    }

    /** @return the new row's id */
    long insert(String table, Map<String, Object> values) throws SQLException {
        String columns = String.join(", ", values.keySet());
        String marks = String.join(", ", values.keySet().stream().map(_ -> "?").toList());
        long id = sql.insert("INSERT INTO " + table + " (" + columns + ") VALUES (" + marks + ")",
                values.values().toArray());
        steps.add(new Step(table, id, null, image(sql, table, id).orElseThrow()));
        return id;
    }

    void update(String table, long id, Map<String, ? extends @Nullable Object> values) throws SQLException {
        String before = image(sql, table, id).orElseThrow();
        List<@Nullable Object> bound = new ArrayList<>(values.values());
        bound.add(id);
        sql.run("UPDATE " + table + " SET " + String.join(" = ?, ", values.keySet()) + " = ? WHERE id = ?",
                bound.toArray());
        steps.add(new Step(table, id, before, image(sql, table, id).orElseThrow()));
    }

    /** Deletes a row; rows that point at it must be deleted before. */
    void delete(String table, long id) throws SQLException {
        String before = image(sql, table, id).orElseThrow();
        sql.run("DELETE FROM " + table + " WHERE id = ?", id);
        steps.add(new Step(table, id, before, null));
    }

    /** Makes a row what an image says. */
    static void restore(Sql sql, String table, long id, @Nullable String image) throws SQLException {
        if (!BookSchema.hasTable(table)) throw new IllegalArgumentException("no table " + table);
        if (image == null) {
            sql.run("DELETE FROM " + table + " WHERE id = ?", id);
            return;
        }
        Map<String, @Nullable Object> values = new LinkedHashMap<>();
        for (Map.Entry<String, JsonNode> e : Json.parse("logbook", image).properties()) {
            if (!COLUMN.matcher(e.getKey()).matches()) throw new IllegalArgumentException("no column " + e.getKey());
            JsonNode v = e.getValue();
            if (v.isNull()) {
                values.put(e.getKey(), null);
                continue;
            }
            values.put(e.getKey(),
                    v.isIntegralNumber() ? (Object) v.asLong() : v.isNumber() ? (Object) v.asDouble() : v.asString());
        }
        String columns = String.join(", ", values.keySet());
        String marks = String.join(", ", values.keySet().stream().map(_ -> "?").toList());
        String updates = String.join(", ", values.keySet().stream().map(c -> c + " = excluded." + c).toList());
        sql.run("INSERT INTO " + table + " (" + columns + ") VALUES (" + marks + ") ON CONFLICT (id) DO UPDATE SET "
                + updates, values.values().toArray());
    }

    private static Optional<String> image(Sql sql, String table, long id) throws SQLException {
        return sql.list("SELECT * FROM " + table + " WHERE id = ?", r -> {
            ObjectNode out = Json.object();
            ResultSetMetaData meta = r.getMetaData();
            for (int c = 1; c <= meta.getColumnCount(); c++) {
                switch (r.getObject(c)) {
                    case null -> out.putNull(meta.getColumnName(c));
                    case Integer i -> out.put(meta.getColumnName(c), i.longValue());
                    case Long l -> out.put(meta.getColumnName(c), l);
                    case Double d -> out.put(meta.getColumnName(c), d);
                    default -> out.put(meta.getColumnName(c), r.getString(c));
                }
            }
            return Json.text(out);
        }, id).stream().findFirst();
    }
}
