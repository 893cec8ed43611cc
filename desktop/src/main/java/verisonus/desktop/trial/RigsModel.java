package verisonus.desktop.trial;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.casebook.sheet.WorkDone;
import verisonus.casebook.store.ListeningShelf.Kept;
import verisonus.core.perform.device.Build;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.trial.rate.RatingResult;
import verisonus.core.trial.rate.RatingTrial;
import verisonus.core.work.Figures;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;

/** Rigs beside each other as what they would cost to own, carry and set up, and what ears said of them. */
final class RigsModel {
    private final Desk desk;
    private final Candidates candidates;
    private final ReadOnlyObjectWrapper<List<Row>> rows = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private Optional<Tone> tone = Optional.empty();
    private List<Build> builds = List.of();

    /**
     * One rig.
     *
     * @param build what stands in it, and what it takes
     * @param blind what the last blind trial of it said; only the whole tone has one
     * @param rated its mean in the last rating, if it was rated
     * @param feel the player's own, 1 to 5
     */
    record Row(String name, Build build, Optional<String> blind, Optional<String> rated, OptionalInt feel) {}

    RigsModel(Desk desk, Candidates candidates) {
        this.desk = desk;
        this.candidates = candidates;
        desk.open().subscribe(_ -> read());
        desk.changes().subscribe(_ -> read());
    }

    private void read() {
        Optional<Tone> now = desk.open().get().flatMap(OpenCase::tone).map(d -> d.tone());
        if (!now.equals(tone)) builds = List.of();
        tone = now;
        rows.set(builds.stream().map(this::row).toList());
        said.set(words());
    }

    /** Takes away what is missed least, again and again: each is a rig of its own, and can be heard and rated above. */
    void find() {
        Optional<Sound> di = desk.sounds().get().di();
        if (tone.isEmpty() || di.isEmpty()) {
            said.set("Derive a tone first: rigs are held against it.");
            return;
        }
        Tone t = tone.get();
        Rig rig = desk.rig().get();
        desk.forTone("Building rigs", progress -> Build.ladder(t, di.get(), rig, progress)).show(found -> {
            builds = found;
            for (Build b : builds.subList(1, builds.size())) candidates.bring(name(b), b.tone());
            read();
        });
    }

    private String name(Build b) {
        int at = builds.indexOf(b);
        return at == 0
                ? "mine"
                : "without the " + String.join(", ", builds.subList(1, at + 1).stream().map(
                        Build::without).toList());
    }

    private Row row(Build b) {
        String name = name(b);
        long id = desk.open().get().orElseThrow().entry().id();
        Optional<String> blind = !name.equals("mine")
                ? Optional.empty()
                : desk.book().trials().of(id).stream().filter(t -> t.trial().isEnded()).findFirst()
                        .map(t -> t.trial().right() + " of " + t.trial().of());
        Map<String, Integer> feel = desk.book().listening().feel(id);
        return new Row(name, b, blind, rated(id, name), feel.entrySet().stream().filter(e -> e.getKey().equals(name))
                .mapToInt(Map.Entry::getValue).findFirst());
    }

    private Optional<RatingResult> rating(long caseId) {
        return desk.book().listening().ratings(caseId).stream().map(Kept::value).filter(RatingTrial::isEnded)
                .findFirst()
                .map(RatingResult::of);
    }

    private Optional<String> rated(long caseId, String name) {
        return rating(caseId).flatMap(r -> r.rows().stream().filter(x -> x.name().equals(name)).findFirst())
                .map(x -> Figures.of("%.0f", x.mean()));
    }

    void feels(Row row, int feel) {
        desk.open().get().ifPresent(o -> {
            desk.book().listening().felt(o.entry().id(), row.name(), feel);
            desk.refresh();
        });
    }

    private String words() {
        Optional<OpenCase> open = desk.open().get();
        if (open.isEmpty() || builds.isEmpty()) return "";
        List<String> out = new ArrayList<>(WorkDone.of(desk.book().logbook(open.get().entry().id())).words());
        rating(open.get().entry().id()).ifPresent(r -> r.notToldApart()
                .forEach(p -> out.add("You did not tell " + p.one() + " and " + p.other() + " apart.")));
        return String.join(" ", out);
    }

    ReadOnlyObjectProperty<List<Row>> rows() {
        return rows.getReadOnlyProperty();
    }

    ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }
}
