package verisonus.casebook.store;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.BlindTrialJson;
import verisonus.casebook.exchange.Json;
import verisonus.core.compare.blind.BlindTrial;

/**
 * Blind trials of cases. Beginning and ending stand in the logbook, the seal from the start; each answer is written when it is
 * given, so that a trial goes on where it stood whatever happens in between, and none can be taken back.
 */
public final class TrialShelf {
    private static final int SHOWN_OF_SEAL = 12;

    private final Casebook book;

    TrialShelf(Casebook book) {
        this.book = book;
    }

    /** Newest first. */
    public List<StoredTrial> of(long caseId) {
        return book.listed("SELECT id, document FROM blind_trial WHERE case_id = ? ORDER BY id DESC", r -> {
            JsonNode n = Json.parse(book.file().toString(), r.getString(2));
            return new StoredTrial(r.getLong(1), BlindTrialJson.read(book.file().toString(), n),
                    n.path("passage").asString(""));
        }, caseId);
    }

    /** The one that has not ended yet. */
    public Optional<StoredTrial> underWay(long caseId) {
        return of(caseId).stream().filter(t -> !t.trial().isEnded()).findFirst();
    }

    /** @param passage what is heard, on what, in words */
    public StoredTrial begin(long caseId, BlindTrial trial, String passage) {
        long id = book.changed("Began a blind trial, " + trial.order().form().words() + " Sealed "
                + trial.order().seal().substring(0, SHOWN_OF_SEAL) + "…", Optional.of(caseId),
                c -> c.insert("blind_trial", Map.of("case_id", caseId, "document", document(trial, passage))));
        return new StoredTrial(id, trial, passage);
    }

    /** Keeps an answer; with the last one the result and the seed go into the logbook. */
    public StoredTrial answer(long caseId, StoredTrial stored, boolean record) {
        BlindTrial next = stored.trial().answered(record);
        book.overwritten("UPDATE blind_trial SET document = ? WHERE id = ?", document(next, stored.passage()),
                stored.id());
        next.result().ifPresent(r -> book.changed("Blind trial: " + r.words() + " Seed " + next.order().seed(),
                Optional.of(caseId), _ -> stored.id()));
        return new StoredTrial(stored.id(), next, stored.passage());
    }

    /** Ends a trial without a result; it is void and says so. */
    public void abandon(long caseId, StoredTrial stored) {
        book.changed("Gave up a blind trial after " + stored.trial().of() + " answers; it is void", Optional.of(caseId),
                c -> {
                    c.delete("blind_trial", stored.id());
                    return stored.id();
                });
    }

    private static String document(BlindTrial trial, String passage) {
        ObjectNode out = BlindTrialJson.write(trial);
        out.put("passage", passage);
        return Json.text(out);
    }
}
