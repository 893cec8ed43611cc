package verisonus.casebook.store;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * The tone of each case as it stands. Every method may be called from any thread; changes are written when the method returns
 * and can be undone.
 */
public final class Tones {
    private final Casebook book;

    Tones(Casebook book) {
        this.book = book;
    }

    public Optional<DerivedTone> tone(long caseId) {
        return book.listed("SELECT derived FROM tone WHERE case_id = ?",
                r -> DerivedToneJson.read(book.file().toString(), Sql.text(r, 1)), caseId).stream().findFirst();
    }

    /** Models of a case's tone whose simulation sounds otherwise than when the tone was kept. */
    public List<String> outdated(long caseId) {
        return book.listed("SELECT derived FROM tone WHERE case_id = ?",
                r -> DerivedToneJson.outdated(book.file().toString(), Sql.text(r, 1)), caseId).stream().findFirst()
                .orElse(List.of());
    }

    /** The most audible remaining difference of each case that has a tone, JND by case; empty where none could be measured. */
    public Map<Long, OptionalDouble> gapsJnd() {
        // A tone that an earlier program kept has its gap in its document only.
        return book.listed("SELECT case_id, gap_jnd, CASE WHEN gap_jnd IS NULL THEN derived END FROM tone",
                r -> Map.entry(r.getLong(1), r.getString(3) == null
                        ? OptionalDouble.of(r.getDouble(2))
                        : measuredJnd(DerivedToneJson.read(book.file().toString(), Sql.text(r, 3)))))
                .stream().collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    private static OptionalDouble measuredJnd(DerivedTone t) {
        return t.gap().isMeasured() ? OptionalDouble.of(t.gap().scoreJnd()) : OptionalDouble.empty();
    }

    /** What a row of the table says of a tone; its gap where one could be measured. */
    static Map<String, Object> row(DerivedTone tone) {
        Map<String, Object> out = new HashMap<>(Map.of("derived", DerivedToneJson.write(tone)));
        measuredJnd(tone).ifPresent(jnd -> out.put("gap_jnd", jnd));
        return out;
    }

    /** @param text what was done, for the logbook */
    public void keepTone(long caseId, DerivedTone tone, String text) {
        Map<String, Object> row = row(tone);
        book.changed(text, Optional.of(caseId), c -> {
            List<Long> there = book.listed("SELECT id FROM tone WHERE case_id = ?", r -> r.getLong(1), caseId);
            if (there.isEmpty()) {
                Map<String, Object> first = new HashMap<>(row);
                first.put("case_id", caseId);
                return c.insert("tone", first);
            }
            Map<String, @Nullable Object> next = new HashMap<>(row);
            next.putIfAbsent("gap_jnd", null);
            c.update("tone", there.get(0), next);
            return there.get(0);
        });
    }
}
