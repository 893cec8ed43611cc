package verisonus.casebook.store;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.PerformanceJson;
import verisonus.casebook.exchange.VariantJson;
import verisonus.core.perform.foot.PedalUse;
import verisonus.core.rig.Variant;
import verisonus.core.work.Figures;

/**
 * How the tone of a case is played: its variants, what follows the beat, what is under a foot, its song. Every change is written when
 * the method returns, stands in the logbook and can be undone.
 */
public final class PerformShelf {
    private final Casebook book;

    /** What a row holds; the word is the database's. */
    private enum Kind {
        VARIANT,
        TEMPO,
        PEDAL,
        SONG;

        String word() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    PerformShelf(Casebook book) {
        this.book = book;
    }

    /** In the order in which they were made. */
    public List<Variant> variants(long caseId) {
        return read(caseId, Kind.VARIANT, VariantJson::read);
    }

    /** Keeps a variant; one of the same name is replaced. */
    public void keep(long caseId, Variant v) {
        put(caseId, Kind.VARIANT, v.name(), VariantJson.write(v), "Kept the variant " + v.name());
    }

    public void dropVariant(long caseId, String name) {
        drop(caseId, Kind.VARIANT, name, "Dropped the variant " + name);
    }

    public Optional<PerformanceJson.Tempo> tempo(long caseId) {
        return read(caseId, Kind.TEMPO, PerformanceJson::tempo).stream().findFirst();
    }

    public void keep(long caseId, PerformanceJson.Tempo t) {
        int n = t.bindings().size();
        put(caseId, Kind.TEMPO, "", PerformanceJson.write(t),
                Figures.of("Set the tempo to %.1f BPM, ", t.bpm())
                        + (n == 1 ? "one time follows it" : n + " times follow it"));
    }

    public List<PedalUse> pedals(long caseId) {
        return read(caseId, Kind.PEDAL, PerformanceJson::pedal);
    }

    /** Keeps what a pedal does with a control; what it did with it before is replaced. */
    public void keep(long caseId, PedalUse p) {
        put(caseId, Kind.PEDAL, p.place().toString(), PerformanceJson.write(p),
                "Put " + p.place() + " on " + p.pedal());
    }

    public void drop(long caseId, PedalUse p) {
        drop(caseId, Kind.PEDAL, p.place().toString(), "Took " + p.place() + " off " + p.pedal());
    }

    public PerformanceJson.Song song(long caseId) {
        return read(caseId, Kind.SONG, PerformanceJson::song).stream().findFirst().orElse(PerformanceJson.Song.NONE);
    }

    public void keep(long caseId, PerformanceJson.Song song) {
        put(caseId, Kind.SONG, "", PerformanceJson.write(song),
                "Set the song's map: " + song.parts().size() + " sections");
    }

    private <T> List<T> read(long caseId, Kind kind, BiFunction<String, JsonNode, T> reader) {
        String name = book.file().toString();
        return book.listed("SELECT document FROM performance WHERE case_id = ? AND kind = ? ORDER BY id",
                r -> reader.apply(name, Json.parse(name, Sql.text(r, 1))), caseId, kind.word());
    }

    private List<Long> ids(long caseId, Kind kind, String name) {
        return book.listed("SELECT id FROM performance WHERE case_id = ? AND kind = ? AND name = ?",
                r -> r.getLong(1), caseId, kind.word(), name);
    }

    private void put(long caseId, Kind kind, String name, ObjectNode document, String text) {
        List<Long> there = ids(caseId, kind, name);
        book.changed(text, Optional.of(caseId), c -> {
            if (!there.isEmpty()) {
                c.update("performance", there.getFirst(), Map.of("document", Json.text(document)));
                return there.getFirst();
            }
            return c.insert("performance", Map.of("case_id", caseId, "kind", kind.word(), "name", name, "document",
                    Json.text(document)));
        });
    }

    private void drop(long caseId, Kind kind, String name, String text) {
        List<Long> there = ids(caseId, kind, name);
        if (there.isEmpty()) return;
        book.changed(text, Optional.of(caseId), c -> {
            c.delete("performance", there.getFirst());
            return there.getFirst();
        });
    }
}
