package verisonus.desktop.desk;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import verisonus.casebook.store.CaseEntry;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.rig.Variant;
import verisonus.core.take.StandInTake;

/**
 * What a casebook holds of one case.
 *
 * @param region the region that was chosen; empty or gone: the first
 * @param reference the reference that was chosen; empty or gone: the first
 */
public record CaseReading(Casebook book, OptionalLong region, OptionalLong reference) {
    /**
     * Reads what a window shows first. Reading anything for the first time takes ten times as long as it does later, so this
     * is done while nobody needs it yet.
     */
    public static void ahead(Casebook book) {
        book.rig();
        CaseReading reading = new CaseReading(book, OptionalLong.empty(), OptionalLong.empty());
        book.cases().stream().findFirst().ifPresent(reading::of);
    }

    OpenCase of(CaseEntry entry) {
        List<Medium> media = ownTakes(referenceFirst(book.recordings().media(entry.id())));
        List<Region> regions = media.stream().filter(m -> m.role() == Medium.Role.REFERENCE).findFirst()
                .map(m -> book.recordings().regions(m.id())).orElse(List.of());
        Optional<Region> here = regions.stream().filter(r -> region.equals(OptionalLong.of(r.id())))
                .findFirst().or(() -> regions.stream().findFirst());
        return new OpenCase(entry, media, regions, here,
                here.flatMap(r -> book.recordings().measurement(r.id())),
                here.map(r -> book.judgements().verdicts(r.id())).orElse(List.of()),
                book.judgements().claims(entry.id()),
                book.tones().tone(entry.id()),
                book.performances().variants(entry.id()).stream().map(Variant::name).toList(),
                book.trials().of(entry.id()).stream().anyMatch(t -> t.trial().isEnded()));
    }

    /** Once the player has played, the stand-in is out of sight; undo brings it back. */
    private static List<Medium> ownTakes(List<Medium> media) {
        boolean played = media.stream()
                .anyMatch(m -> m.role() == Medium.Role.DI && !m.title().equals(StandInTake.NAME));
        return played ? media.stream().filter(m -> !m.title().equals(StandInTake.NAME)).toList() : media;
    }

    private List<Medium> referenceFirst(List<Medium> media) {
        return media.stream().sorted(Comparator.comparing(
                m -> !(m.role() == Medium.Role.REFERENCE && reference.equals(OptionalLong.of(m.id()))))).toList();
    }
}
