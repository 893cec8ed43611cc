package verisonus.casebook.store;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.PlaybackSystemJson;
import verisonus.casebook.exchange.TrimJson;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.trim.Trim;

/**
 * What a casebook keeps of playback systems: the player's own ones, and by case the trims and what was heard. Every method may be
 * called from any thread; changes are written when the method returns and can be undone.
 */
public final class TravelShelf {
    private final Casebook book;

    TravelShelf(Casebook book) {
        this.book = book;
    }

    /** Those that ship, then the player's own by name; an own one of the same id takes the place of one that ships. */
    public List<PlaybackSystem> systems() {
        List<PlaybackSystem> own = own();
        List<PlaybackSystem> out = new ArrayList<>();
        for (PlaybackSystem s : PlaybackSystem.ALL)
            out.add(own.stream().filter(o -> o.id().equals(s.id())).findFirst().orElse(s));
        own.stream().filter(o -> PlaybackSystem.find(o.id()).isEmpty()).forEach(out::add);
        return List.copyOf(out);
    }

    public List<PlaybackSystem> own() {
        return book.listed("SELECT document FROM playback_system ORDER BY name",
                r -> PlaybackSystemJson.read(book.file().toString(),
                        Json.parse(book.file().toString(), Sql.text(r, 1))));
    }

    /** Keeps a system; one of the same name is replaced. */
    public void keep(PlaybackSystem s) {
        put("playback_system", "name", s.name(), Map.of("name", s.name()), Json.text(PlaybackSystemJson.write(s)),
                "Kept the playback system " + s.name(), Optional.empty());
    }

    public void remove(PlaybackSystem s) {
        drop("playback_system", "name", s.name(), "Removed the playback system " + s.name(), Optional.empty());
    }

    /** Trims of a case by the system they are for. */
    public Map<String, Trim> trims(long caseId) {
        return inOrder(book.listed("SELECT system, document FROM trim WHERE case_id = ? ORDER BY id",
                r -> Map.entry(Sql.text(r, 1),
                        TrimJson.read(book.file().toString(), Json.parse(book.file().toString(), Sql.text(r, 2)))),
                caseId));
    }

    public void keepTrim(long caseId, PlaybackSystem system, Trim trim) {
        put("trim", "case_id = " + caseId + " AND system", system.id(), Map.of("case_id", caseId, "system",
                system.id()), Json.text(TrimJson.write(trim)), "Kept a trim for " + system.name(),
                Optional.of(caseId));
    }

    public void dropTrim(long caseId, PlaybackSystem system) {
        drop("trim", "case_id = " + caseId + " AND system", system.id(), "Dropped the trim for " + system.name(),
                Optional.of(caseId));
    }

    /** What was heard, by system. */
    public Map<String, String> notes(long caseId) {
        return inOrder(book.listed("SELECT system, text FROM travel_note WHERE case_id = ? ORDER BY id",
                r -> Map.entry(Sql.text(r, 1), Sql.text(r, 2)), caseId));
    }

    /** Keeps what was heard on a system; an empty note goes. */
    public void keepNote(long caseId, PlaybackSystem system, String text) {
        String where = "case_id = " + caseId + " AND system";
        if (text.isBlank()) {
            drop("travel_note", where, system.id(), "Took back what was heard on " + system.name(),
                    Optional.of(caseId));
            return;
        }
        put("travel_note", where, system.id(), Map.of("case_id", caseId, "system", system.id()), text.strip(),
                "Noted what is heard on " + system.name(), Optional.of(caseId));
    }

    private static <V> Map<String, V> inOrder(List<Map.Entry<String, V>> entries) {
        return entries.stream().collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue, (_, b) -> b,
                LinkedHashMap::new));
    }

    private void put(String table, String where, String key, Map<String, Object> keys, String content, String text,
            Optional<Long> caseId) {
        String column = table.equals("travel_note") ? "text" : "document";
        book.changed(text, caseId, c -> {
            List<Long> there = book.listed("SELECT id FROM " + table + " WHERE " + where + " = ?", r -> r.getLong(1),
                    key);
            if (!there.isEmpty()) {
                c.update(table, there.get(0), Map.of(column, content));
                return there.get(0);
            }
            Map<String, Object> values = new LinkedHashMap<>(keys);
            values.put(column, content);
            return c.insert(table, values);
        });
    }

    private void drop(String table, String where, String key, String text, Optional<Long> caseId) {
        List<Long> there = book.listed("SELECT id FROM " + table + " WHERE " + where + " = ?", r -> r.getLong(1), key);
        if (there.isEmpty()) return;
        book.changed(text, caseId, c -> {
            c.delete(table, there.get(0));
            return there.get(0);
        });
    }
}
