package verisonus.casebook.store;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import verisonus.casebook.exchange.Json;

/**
 * Moments of the logbook: what a tone was then, words beside them, the way back to one, and a case that goes on from one while
 * the other stays. Every method may be called from any thread.
 */
public final class Moments {
    private final Casebook book;
    private final History history;

    Moments(Casebook book, History history) {
        this.book = book;
        this.history = history;
    }

    /** The tone as a change left it; empty where the change was none of a tone's. */
    public Optional<DerivedTone> tone(LogEntry entry) {
        return book.reading(() -> history.after(entry.id(), "tone")).stream().findFirst()
                .map(image -> DerivedToneJson.read(book.file().toString(),
                        Json.parse(book.file().toString(), image).path("derived").asString("")));
    }

    /** Puts words beside a moment; empty ones go. */
    public void note(LogEntry entry, String text) {
        List<Long> there = book.listed("SELECT id FROM moment_note WHERE logbook_id = ?", r -> r.getLong(1),
                entry.id());
        if (text.isBlank() && there.isEmpty()) return;
        Optional<Long> caseId = entry.caseId().isPresent()
                ? Optional.of(entry.caseId().getAsLong())
                : Optional.empty();
        book.changed("Noted beside: " + entry.text(), caseId, c -> {
            if (text.isBlank()) {
                c.delete("moment_note", there.get(0));
            } else if (there.isEmpty()) {
                c.insert("moment_note", Map.of("logbook_id", entry.id(), "text", text.strip()));
            } else {
                c.update("moment_note", there.get(0), Map.of("text", text.strip()));
            }
            return entry.id();
        });
    }

    /** Takes back every change after this one; each can be made again. @return how many */
    public int backTo(LogEntry entry) {
        return book.goingBack(() -> history.backTo(entry.id()));
    }

    /**
     * A new case with the recordings of another and its tone as it was at a moment.
     *
     * @return the new case's id; empty where the moment has no case
     */
    public Optional<Long> branch(LogEntry entry, String name) {
        if (entry.caseId().isEmpty()) return Optional.empty();
        long from = entry.caseId().getAsLong();
        Optional<CaseEntry> was = book.cases().stream().filter(c -> c.id() == from).findFirst();
        Optional<DerivedTone> tone = toneUntil(entry);
        if (was.isEmpty()) return Optional.empty();
        return Optional.of(book.changed("Branched " + name, Optional.empty(), c -> {
            long position = book.listed("SELECT coalesce(max(position), 0) + 1 FROM tone_case", r -> r.getLong(1))
                    .get(0);
            long id = c.insert("tone_case", Map.of("name", name, "artist", was.get().artist(), "note",
                    was.get().note(), "position", position));
            int n = 0;
            for (Medium m : book.recordings().media(from)) {
                long medium = c.insert("medium", Map.of("case_id", id, "role", m.role().column(), "title", m.title(),
                        "hash", m.hash(), "position", n++));
                if (m.laidS().isPresent()) c.update("medium", medium, Map.of("laid_s", m.laidS().getAsDouble()));
                for (Region r : book.recordings().regions(m.id())) {
                    long region = c.insert("region", Map.of("medium_id", medium, "role", r.role().words(), "from_s",
                            r.fromS(), "to_s", r.toS()));
                    Optional<Measurement> found = book.recordings().measurement(r.id());
                    if (found.isPresent())
                        c.insert("evidence", FindingsJson.row(region, found.get()));
                }
            }
            if (tone.isPresent()) {
                Map<String, Object> row = new HashMap<>(Tones.row(tone.get()));
                row.put("case_id", id);
                c.insert("tone", row);
            }
            return id;
        }));
    }

    /** The tone that stood at a moment: as that change left it, or the last one before it. */
    private Optional<DerivedTone> toneUntil(LogEntry entry) {
        Optional<DerivedTone> own = tone(entry);
        if (own.isPresent() || entry.caseId().isEmpty()) return own;
        return book.logbook(entry.caseId().getAsLong()).stream()
                .filter(e -> e.id() < entry.id() && e.gapAfterJnd().isPresent()).findFirst().flatMap(this::tone);
    }
}
