package verisonus.casebook.store;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

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

    /** The most audible remaining difference of each case that has a tone, JND by case. */
    public Map<Long, Double> gapsJnd() {
        // A tone that an earlier program kept has its gap in its document only.
        return book.listed("SELECT case_id, gap_jnd, CASE WHEN gap_jnd IS NULL THEN derived END FROM tone",
                r -> Map.entry(r.getLong(1), r.getString(3) == null
                        ? r.getDouble(2)
                        : DerivedToneJson.read(book.file().toString(), Sql.text(r, 3)).gap().scoreJnd()))
                .stream().collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
    }

    /** @param text what was done, for the logbook */
    public void keepTone(long caseId, DerivedTone tone, String text) {
        String document = DerivedToneJson.write(tone);
        book.changed(text, Optional.of(caseId), c -> {
            List<Long> there = book.listed("SELECT id FROM tone WHERE case_id = ?", r -> r.getLong(1), caseId);
            double gapJnd = tone.gap().scoreJnd();
            if (there.isEmpty())
                return c.insert("tone", Map.of("case_id", caseId, "derived", document, "gap_jnd", gapJnd));
            c.update("tone", there.get(0), Map.of("derived", document, "gap_jnd", gapJnd));
            return there.get(0);
        });
    }
}
