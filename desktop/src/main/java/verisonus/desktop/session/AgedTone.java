package verisonus.desktop.session;

import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.work.Figures;
import verisonus.desktop.desk.OpenCase;

/**
 * Whether the open case's tone was kept when the simulation sounded otherwise: its gap of then and of now, before anything is turned. It
 * stays as it is until the player takes it as it sounds now.
 */
public final class AgedTone {
    /** A row that has moved by less is the same to the ear. */
    private static final double MOVED_JND = 0.5;
    private static final int MOST_NAMED = 3;

    private final CaseSession session;
    private Optional<DerivedTone> asked = Optional.empty();
    private final ReadOnlyObjectWrapper<Optional<Aged>> aged = new ReadOnlyObjectWrapper<>(Optional.empty());

    /** What has aged. @param models by name @param now the gap with the simulation of today */
    public record Aged(List<String> models, DerivedTone kept, GapLedger now) {
        /** In a sentence: which models, the gap of then and of now, and what moved most. */
        public String words() {
            List<String> moved = now.rows().stream().filter(r -> movedJnd(r) >= MOVED_JND)
                    .sorted((a, b) -> Double.compare(movedJnd(b), movedJnd(a))).limit(MOST_NAMED)
                    .map(r -> Figures.read("%s %+.1f %s", r.attribute().words(), r.candidate() - was(r), r.unit()))
                    .toList();
            return Figures.of(
                    "The simulation of %s has changed since this tone was kept: the gap was %.1f JND and is %.1f now%s."
                            + " Nothing was turned.",
                    String.join(", ", models), kept.gap().scoreJnd(), now.scoreJnd(),
                    moved.isEmpty() ? "; no part of it has moved audibly" : " (" + String.join(", ", moved) + ")");
        }

        private double was(GapRow row) {
            return kept.gap().find(row.attribute()).map(GapRow::candidate).orElse(row.candidate());
        }

        private double movedJnd(GapRow row) {
            return Math.abs(row.candidate() - was(row)) / row.jnd();
        }
    }

    public AgedTone(CaseSession session) {
        this.session = session;
        session.desk().open().subscribe(_ -> read());
        session.desk().sounds().subscribe(_ -> read());
    }

    private void read() {
        Optional<OpenCase> open = session.desk().open().get();
        Optional<DerivedTone> tone = open.flatMap(OpenCase::tone);
        List<String> models = tone.isEmpty()
                ? List.of()
                : session.desk().book().tones().outdated(open.get().entry().id());
        // What was found of one case's tone is never kept with another's.
        if (!asked.equals(tone)) {
            asked = Optional.empty();
            aged.set(Optional.empty());
        }
        if (models.isEmpty() || asked.isPresent() || !session.missing().isEmpty()) return;
        asked = tone;
        session.measure(tone.orElseThrow(), now -> aged.set(Optional.of(new Aged(models, tone.get(), now))),
                () -> asked = Optional.empty());
    }

    /** Takes the tone as it sounds now: its gap is that of today, and it names the simulation of today. */
    public void accept() {
        aged.get().ifPresent(
                a -> session.keep(a.kept.turned(a.kept.tone(), a.now), "Taken as the simulation sounds now"));
    }

    public ReadOnlyObjectProperty<Optional<Aged>> aged() {
        return aged.getReadOnlyProperty();
    }
}
