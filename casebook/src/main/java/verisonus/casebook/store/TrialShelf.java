package verisonus.casebook.store;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.BlindTrialJson;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ListeningJson;
import verisonus.casebook.exchange.StoredTrial;
import verisonus.core.compare.GapRow;
import verisonus.core.trial.blind.BlindTrial;
import verisonus.core.trial.step.ToldApart;

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
            JsonNode n = Json.parse(book.file().toString(), Sql.text(r, 2));
            return stored(r.getLong(1), n);
        }, caseId);
    }

    /** The one that has not ended yet. */
    public Optional<StoredTrial> underWay(long caseId) {
        return of(caseId).stream().filter(t -> !t.trial().isEnded()).findFirst();
    }

    private StoredTrial stored(long id, JsonNode n) {
        BlindTrial t = BlindTrialJson.read(book.file().toString(), n);
        return new StoredTrial(id, t, n.path("passage").asString(""),
                t.isEnded() ? ListeningJson.told(n, t.right(), t.of()) : List.of());
    }

    /** What every finished trial of every case says about the listener's own steps. */
    public List<ToldApart> told() {
        return book.listed("SELECT id, document FROM blind_trial ORDER BY id",
                r -> stored(r.getLong(1), Json.parse(book.file().toString(), Sql.text(r, 2))).told()).stream()
                .flatMap(List::stream).toList();
    }

    /** @param passage what is heard, on what, in words */
    public StoredTrial begin(long caseId, BlindTrial trial, String passage) {
        return begin(caseId, trial, passage, "", Optional.empty());
    }

    /**
     * @param level how loud it is heard, in words
     * @param turnsOn the most audible difference of the two as it is known
     */
    public StoredTrial begin(long caseId, BlindTrial trial, String passage, String level, Optional<GapRow> turnsOn) {
        ObjectNode document = document(trial, passage);
        turnsOn.ifPresent(r -> ListeningJson.put(document, r.attribute(), r.audibility()));
        long id = book.changed("Began a blind trial, " + trial.order().form().words() + " " + passage + (level.isEmpty()
                ? ""
                : ", " + level) + ". Sealed " + trial.order().seal().substring(0, SHOWN_OF_SEAL) + "…",
                Optional.of(caseId),
                c -> c.insert("blind_trial", Map.of("case_id", caseId, "document", Json.text(document))));
        return new StoredTrial(id, trial, passage, List.of());
    }

    /** Keeps an answer; with the last one the result and the seed go into the logbook. */
    public StoredTrial answer(long caseId, StoredTrial stored, boolean record) {
        return next(caseId, stored, stored.trial().answered(record));
    }

    /** Leaves out the one that is under way, because its sound stopped: it counts neither way. */
    public StoredTrial leaveOut(long caseId, StoredTrial stored) {
        return next(caseId, stored, stored.trial().leavingOut());
    }

    private StoredTrial next(long caseId, StoredTrial stored, BlindTrial next) {
        List<JsonNode> was = book.listed("SELECT document FROM blind_trial WHERE id = ?",
                r -> Json.parse(book.file().toString(), Sql.text(r, 1)), stored.id());
        ObjectNode document = document(next, stored.passage());
        was.stream().map(n -> n.path("turned_on")).filter(JsonNode::isObject)
                .forEach(n -> document.set("turned_on", n));
        book.overwritten("UPDATE blind_trial SET document = ? WHERE id = ?", Json.text(document), stored.id());
        next.result().ifPresent(r -> book.changed("Blind trial: " + r.words() + " Seed " + next.order().seed(),
                Optional.of(caseId), _ -> stored.id()));
        return stored(stored.id(), document);
    }

    /** Ends a trial without a result; it is void and says so. */
    public void abandon(long caseId, StoredTrial stored) {
        book.changed("Gave up a blind trial after " + stored.trial().of() + " answers; it is void", Optional.of(caseId),
                c -> {
                    c.delete("blind_trial", stored.id());
                    return stored.id();
                });
    }

    private static ObjectNode document(BlindTrial trial, String passage) {
        return BlindTrialJson.write(trial).put("passage", passage);
    }
}
