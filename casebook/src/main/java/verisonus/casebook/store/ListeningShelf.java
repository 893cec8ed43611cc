package verisonus.casebook.store;

import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ListeningJson;
import verisonus.casebook.exchange.ListeningJson.NamedStep;
import verisonus.core.trial.rate.Picking;
import verisonus.core.trial.rate.RatingResult;
import verisonus.core.trial.rate.RatingTrial;
import verisonus.core.trial.train.Score;

/**
 * What ears answered beside the blind trials. Beginning and ending stand in the logbook; answers in between are written as they are
 * given and cannot be taken back one by one.
 */
public final class ListeningShelf {
    private final Casebook book;

    private enum Kind {
        RATING,
        PICKING,
        STEP,
        SCORE,
        WALK,
        FEEL;

        String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    /** Something kept, with the number under which it is found again. */
    public record Kept<T>(long id, T value) {}

    ListeningShelf(Casebook book) {
        this.book = book;
    }

    /** Newest first. */
    public List<Kept<RatingTrial>> ratings(long caseId) {
        return read(Optional.of(caseId), Kind.RATING, ListeningJson::rating);
    }

    public Kept<RatingTrial> begin(long caseId, RatingTrial t) {
        return new Kept<>(insert(Optional.of(caseId), Kind.RATING, ListeningJson.write(t), "Began rating "
                + t.names().size() + " sounds without their names"), t);
    }

    /** Keeps a round; with the last one the result goes into the logbook. */
    public Kept<RatingTrial> rated(long caseId, Kept<RatingTrial> kept, List<Integer> byPlace) {
        RatingTrial next = kept.value().rated(byPlace);
        overwrite(kept.id(), ListeningJson.write(next));
        if (next.isEnded()) {
            RatingResult r = RatingResult.of(next);
            say(caseId, kept.id(), "Rated " + next.names().size() + " sounds: " + r.rows().getFirst().words());
        }
        return new Kept<>(kept.id(), next);
    }

    /** Newest first. */
    public List<Kept<Picking>> pickings(long caseId) {
        return read(Optional.of(caseId), Kind.PICKING, ListeningJson::picking);
    }

    public Kept<Picking> begin(long caseId, Picking p) {
        return new Kept<>(insert(Optional.of(caseId), Kind.PICKING, ListeningJson.write(p), "Began picking among "
                + p.candidates().size() + " sounds without their names"), p);
    }

    public Kept<Picking> said(long caseId, Kept<Picking> kept, int candidate, boolean keeps) {
        Picking next = kept.value().answered(candidate, keeps);
        overwrite(kept.id(), ListeningJson.write(next));
        if (next.isEnded()) say(caseId, kept.id(), "Picked " + next.words());
        return new Kept<>(kept.id(), next);
    }

    /** The player's own steps; newest first. */
    public List<Kept<NamedStep>> steps() {
        return read(Optional.empty(), Kind.STEP, ListeningJson::step);
    }

    public Kept<NamedStep> begin(NamedStep s) {
        return new Kept<>(
                insert(Optional.empty(), Kind.STEP, ListeningJson.write(s), "Began looking for the own step of "
                        + s.what()),
                s);
    }

    public Kept<NamedStep> answered(Kept<NamedStep> kept, double step, boolean right) {
        NamedStep was = kept.value();
        NamedStep next = new NamedStep(was.what(), was.unit(), was.search().answered(step, right));
        overwrite(kept.id(), ListeningJson.write(next));
        if (next.search().isEnded())
            book.changed("Found the own step of " + next.what(), Optional.empty(), _ -> kept.id());
        return new Kept<>(kept.id(), next);
    }

    /** Answers in training, oldest first. */
    public List<Score> scores() {
        return read(Optional.empty(), Kind.SCORE, ListeningJson::score).reversed().stream().map(Kept::value).toList();
    }

    /** An answer is no change of anything that is worked on: it stands in no logbook and is not taken back. */
    public void add(Score s) {
        book.overwritten("INSERT INTO listening (case_id, kind, document) VALUES (NULL, ?, ?)", Kind.SCORE.word(),
                Json.text(ListeningJson.write(s)));
    }

    /** Which controls of the set-up walk are done. */
    public Set<String> ticked(long caseId) {
        return read(Optional.of(caseId), Kind.WALK, (_, n) -> ListeningJson.ticked(n)).stream().findFirst()
                .map(Kept::value).orElse(Set.of());
    }

    public void tick(long caseId, Set<String> places) {
        String document = Json.text(ListeningJson.ticked(places));
        List<Kept<Set<String>>> there = read(Optional.of(caseId), Kind.WALK, (_, n) -> ListeningJson.ticked(n));
        if (there.isEmpty()) {
            book.overwritten("INSERT INTO listening (case_id, kind, document) VALUES (?, ?, ?)", caseId,
                    Kind.WALK.word(), document);
        } else {
            book.overwritten("UPDATE listening SET document = ? WHERE id = ?", document, there.getFirst().id());
        }
    }

    /** How a rig felt under the fingers, 1 to 5, by the name of the rig. */
    public Map<String, Integer> feel(long caseId) {
        Map<String, Integer> out = new HashMap<>();
        read(Optional.of(caseId), Kind.FEEL, (_, n) -> n).reversed()
                .forEach(k -> out.put(k.value().path("rig").asString(""), Math.clamp(k.value().path("feel").asInt(), 1,
                        5)));
        return out;
    }

    public void felt(long caseId, String rig, int feel) {
        insert(Optional.of(caseId), Kind.FEEL, Json.object().put("rig", rig).put("feel", feel),
                "Rated the feel of " + rig
                        + ": " + feel + " of 5");
    }

    /** Gives up what is under way. */
    public void drop(long caseId, Kept<?> kept) {
        book.changed("Gave up a comparison by ear; it is void", Optional.of(caseId), c -> {
            c.delete("listening", kept.id());
            return kept.id();
        });
    }

    private <T> List<Kept<T>> read(Optional<Long> caseId, Kind kind, BiFunction<String, JsonNode, T> reader) {
        String name = book.file().toString();
        Sql.Row<Kept<T>> row = r -> new Kept<>(r.getLong(1), reader.apply(name, Json.parse(name, Sql.text(r, 2))));
        return caseId.isPresent()
                ? book.listed("SELECT id, document FROM listening WHERE case_id = ? AND kind = ? ORDER BY id DESC", row,
                        caseId.get(), kind.word())
                : book.listed("SELECT id, document FROM listening WHERE kind = ? ORDER BY id DESC", row, kind.word());
    }

    private long insert(Optional<Long> caseId, Kind kind, ObjectNode document, String text) {
        Map<String, Object> values = new HashMap<>(Map.of("kind", kind.word(), "document", Json.text(document)));
        caseId.ifPresent(id -> values.put("case_id", id));
        return book.changed(text, caseId, c -> c.insert("listening", values));
    }

    private void overwrite(long id, ObjectNode document) {
        book.overwritten("UPDATE listening SET document = ? WHERE id = ?", Json.text(document), id);
    }

    private void say(long caseId, long id, String text) {
        book.changed(text, Optional.of(caseId), _ -> id);
    }
}
