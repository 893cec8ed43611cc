package verisonus.casebook.store;

import java.sql.SQLException;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import verisonus.casebook.exchange.Json;
import verisonus.core.evidence.study.Course;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;

/**
 * The recordings of a player's cases, the regions marked in them and what was measured there. Every method may be called from
 * any thread; changes are written when the method returns and can be undone.
 */
public final class Recordings {
    private final Casebook book;
    private final Sql sql;
    private final SoundStore sounds;

    Recordings(Casebook book, Sql sql) {
        this.book = book;
        this.sql = sql;
        this.sounds = new SoundStore(sql);
    }

    /** Recordings of a case, references first. */
    public List<Medium> media(long caseId) {
        return book.listed("""
                SELECT m.id, m.role, m.title, m.hash, CAST(r.frames AS REAL) / r.rate_hz, m.laid_s
                FROM medium m JOIN recording r ON r.hash = m.hash WHERE m.case_id = ?
                ORDER BY m.role = 'reference' DESC, m.role = 'di' DESC, m.position, m.id""",
                r -> new Medium(r.getLong(1), caseId, Medium.Role.of(Sql.text(r, 2)), Sql.text(r, 3), Sql.text(r, 4),
                        r.getDouble(5), r.getObject(6) instanceof Number n
                                ? OptionalDouble.of(n.doubleValue())
                                : OptionalDouble.empty()),
                caseId);
    }

    public List<Region> regions(long mediumId) {
        return book.listed(
                "SELECT id, role, from_s, to_s FROM region WHERE medium_id = ? ORDER BY from_s, id",
                r -> new Region(r.getLong(1), mediumId, Region.Role.of(Sql.text(r, 2)), r.getDouble(3),
                        r.getDouble(4)),
                mediumId);
    }

    /** What was measured in a region; empty where it was not, or where the region has moved since. */
    public Optional<Measurement> measurement(long regionId) {
        return book.listed("SELECT findings, document, measured FROM evidence WHERE region_id = ?",
                r -> FindingsJson.measurement(book.file().toString(), Sql.text(r, 1), Sql.text(r, 2), r.getString(3)),
                regionId)
                .stream()
                .findFirst();
    }

    /** A recording's sound; decodes it anew each time, while others may read. */
    public Sound sound(String hash) {
        return stored(hash).decoded();
    }

    private SoundStore.Stored stored(String hash) {
        return book.reading(() -> sounds.stored(hash));
    }

    /** How a recording runs, where it was drawn before. */
    public Optional<Course> course(String hash) {
        return book.listed("SELECT document FROM course WHERE hash = ?",
                r -> Json.value(book.file().toString(), Json.parse(book.file().toString(), Sql.text(r, 1)),
                        Course.class),
                hash)
                .stream().findFirst();
    }

    /** Keeps how a recording runs; no change of the player's, so undo passes it by. */
    public void keepCourse(String hash, Course course) {
        if (book.isReadOnly()) return;
        book.reading(() -> {
            sql.run("INSERT INTO course (hash, document) VALUES (?, ?) ON CONFLICT (hash) DO NOTHING", hash,
                    Json.text(Json.tree(course)));
            return hash;
        });
    }

    /**
     * Keeps a recording and gives it a part in a case.
     *
     * @param bytes the audio file as it is
     * @return the medium's id
     * @throws verisonus.core.work.InputFault where it is not sound
     */
    public long addMedium(long caseId, Medium.Role role, String fileName, byte[] bytes) {
        return add(caseId, role, SoundStore.Recording.of(fileName, bytes));
    }

    private long add(long caseId, Medium.Role role, SoundStore.Recording recording) {
        String fileName = recording.fileName();
        return book.changed("Added " + fileName + " as " + role.column(), Optional.of(caseId), c -> {
            sounds.add(recording);
            int dot = fileName.lastIndexOf('.');
            return c.insert("medium", Map.of("case_id", caseId, "role", role.column(), "title",
                    dot > 0 ? fileName.substring(0, dot) : fileName, "hash", recording.hash(), "position",
                    book.listed("SELECT count(*) FROM medium WHERE case_id = ?", r -> r.getLong(1), caseId).get(0)));
        });
    }

    /** @return the region's id */
    public long addRegion(long mediumId, Region.Role role, double fromS, double toS) {
        return book.changed("Marked " + span(fromS, toS) + " as " + role.words(), caseOf(mediumId),
                c -> c.insert("region", Map.of("medium_id", mediumId, "role", role.words(), "from_s", fromS, "to_s",
                        toS)));
    }

    /** Moves or re-labels a region; what was measured in it no longer holds and goes. */
    public void updateRegion(Region region) {
        book.changed("Moved " + region.role().words() + " to " + span(region.fromS(), region.toS()),
                caseOf(region.mediumId()), c -> {
                    deleteEvidence(c, region.id());
                    c.update("region", region.id(), Map.of("role", region.role().words(), "from_s", region.fromS(),
                            "to_s", region.toS()));
                    return region.id();
                });
    }

    public void removeRegion(Region region) {
        book.changed("Removed " + region.role().words() + " " + span(region.fromS(), region.toS()),
                caseOf(region.mediumId()), c -> {
                    deleteEvidence(c, region.id());
                    book.judgements().deleteVerdicts(c, region.id(), Optional.empty());
                    c.delete("region", region.id());
                    return region.id();
                });
    }

    private void deleteEvidence(Change c, long regionId) throws SQLException {
        for (long id : book.listed("SELECT id FROM evidence WHERE region_id = ?", r -> r.getLong(1), regionId)) {
            c.delete("evidence", id);
        }
    }

    public void keepMeasurement(long regionId, Measurement measurement) {
        book.changed("Measured a region: " + measurement.findings().size() + " findings", caseOfRegion(regionId), c -> {
            deleteEvidence(c, regionId);
            return c.insert("evidence", FindingsJson.row(regionId, measurement));
        });
    }

    /** Gives a recording another part in its case. */
    public void changeRole(Medium medium, Medium.Role role) {
        book.changed(medium.title() + " is now the " + role.column(), Optional.of(medium.caseId()), c -> {
            c.update("medium", medium.id(), Map.of("role", role.column()));
            return medium.id();
        });
    }

    /**
     * Keeps where a dry take begins on the studied reference's time axis.
     *
     * @param atS seconds, before the reference's start where negative; empty: to be looked for
     */
    public void layMedium(Medium medium, OptionalDouble atS) {
        if (medium.laidS().equals(atS)) return;
        String what = atS.isPresent()
                ? Figures.of("Laid %s at %.2f s", medium.title(), atS.getAsDouble())
                : "Left it to be found where " + medium.title() + " begins";
        book.changed(what, Optional.of(medium.caseId()), c -> {
            Map<String, @Nullable Object> place = new HashMap<>();
            place.put("laid_s", atS.isPresent() ? atS.getAsDouble() : null);
            c.update("medium", medium.id(), place);
            return medium.id();
        });
    }

    /** Takes a recording out of its case, with its regions and what was measured in them; undo brings all back. */
    public void removeMedium(Medium medium) {
        book.changed("Removed " + medium.title(), Optional.of(medium.caseId()), c -> {
            for (Region r : regions(medium.id())) {
                deleteEvidence(c, r.id());
                book.judgements().deleteVerdicts(c, r.id(), Optional.empty());
                c.delete("region", r.id());
            }
            c.delete("medium", medium.id());
            return medium.id();
        });
    }

    private static String span(double fromS, double toS) {
        return Figures.of("%.1f–%.1f s", fromS, toS);
    }

    private Optional<Long> caseOf(long mediumId) {
        return book.listed("SELECT case_id FROM medium WHERE id = ?", r -> r.getLong(1), mediumId).stream()
                .findFirst();
    }

    Optional<Long> caseOfRegion(long regionId) {
        return book.listed("SELECT m.case_id FROM region r JOIN medium m ON m.id = r.medium_id WHERE r.id = ?",
                r -> r.getLong(1), regionId).stream().findFirst();
    }
}
