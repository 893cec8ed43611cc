package verisonus.casebook.store;

import java.sql.SQLException;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.VocabularyJson;
import verisonus.casebook.words.PlayerProfile;
import verisonus.core.evidence.words.Claim;
import verisonus.core.evidence.words.Word;

/**
 * What the player says: of findings, of gear, of words, and how a tone shall feel. Every method may be called from any thread;
 * changes are written when the method returns and can be undone.
 */
public final class Judgements {
    private final Casebook book;

    Judgements(Casebook book) {
        this.book = book;
    }

    /** What the player says of a region's findings. */
    public List<Judgement> verdicts(long regionId) {
        return book.listed("SELECT topic, state, figure FROM verdict WHERE region_id = ? ORDER BY id",
                r -> new Judgement(Sql.text(r, 1), Judgement.State.of(Sql.text(r, 2)),
                        r.getObject(3) == null ? OptionalDouble.empty() : OptionalDouble.of(r.getDouble(3))),
                regionId);
    }

    /** Says something of a finding; what was said of it before goes. */
    public void keepVerdict(long regionId, Judgement v) {
        book.changed(v.words(), book.recordings().caseOfRegion(regionId), c -> {
            deleteVerdicts(c, regionId, Optional.of(v.topic()));
            Map<String, Object> values = new LinkedHashMap<>(Map.of("region_id", regionId, "topic", v.topic(), "state",
                    v.state().words()));
            v.figure().ifPresent(f -> values.put("figure", f));
            return c.insert("verdict", values);
        });
    }

    /** Takes back what was said of a finding. */
    public void dropVerdict(long regionId, String topic) {
        book.changed(topic + " stands as measured", book.recordings().caseOfRegion(regionId), c -> {
            deleteVerdicts(c, regionId, Optional.of(topic));
            return regionId;
        });
    }

    /** @param topic of one finding; absent: of all */
    void deleteVerdicts(Change c, long regionId, Optional<String> topic) throws SQLException {
        for (long id : book.listed("SELECT id FROM verdict WHERE region_id = ? AND (? = '' OR topic = ?)",
                r -> r.getLong(1), regionId, topic.orElse(""), topic.orElse(""))) {
            c.delete("verdict", id);
        }
    }

    /** What is said about a case's gear. */
    public List<ClaimEntry> claims(long caseId) {
        return book.listed("SELECT id, says, source, certainty FROM claim WHERE case_id = ? ORDER BY id",
                r -> new ClaimEntry(r.getLong(1), new Claim(Claim.Says.valueOf(Sql.text(r, 2)), Sql.text(r, 3),
                        Claim.Certainty.valueOf(Sql.text(r, 4)))),
                caseId);
    }

    public long addClaim(long caseId, Claim claim) {
        return book.changed("Noted a claim: " + claim.says().words(), Optional.of(caseId),
                c -> c.insert("claim", Map.of("case_id", caseId, "says", claim.says().name(), "source", claim.source(),
                        "certainty", claim.certainty().name())));
    }

    public void removeClaim(long caseId, ClaimEntry claim) {
        book.changed("Removed a claim: " + claim.claim().says().words(), Optional.of(caseId), c -> {
            c.delete("claim", claim.id());
            return claim.id();
        });
    }

    /** The words for sounds; those that ship until the player changes one. */
    public List<Word> vocabulary() {
        return book.listed("SELECT document FROM vocabulary ORDER BY id LIMIT 1",
                r -> VocabularyJson.read(book.file().toString(), Sql.text(r, 1))).stream().findFirst()
                .orElseGet(Word::shipped);
    }

    /** @param text what was done, for the logbook */
    public void keepVocabulary(List<Word> words, String text) {
        book.keepOnly("vocabulary", VocabularyJson.write(words), text);
    }

    /** How the player likes a tone to feel, once it has been said. */
    public Optional<PlayerProfile> profile() {
        return book.listed("SELECT document FROM player_profile ORDER BY id LIMIT 1",
                r -> Json.value(book.file().toString(), Json.parse(book.file().toString(), Sql.text(r, 1)),
                        PlayerProfile.class))
                .stream().findFirst();
    }

    public void keepProfile(PlayerProfile profile) {
        book.keepOnly("player_profile", Json.text(Json.tree(profile)), "Kept how a tone shall feel");
    }

    /** A claim as the casebook keeps it. */
    public record ClaimEntry(long id, Claim claim) {}
}
