package verisonus.desktop.trial;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.random.RandomGenerator;
import javafx.beans.property.IntegerProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleIntegerProperty;
import verisonus.casebook.store.ListeningShelf.Kept;
import verisonus.core.trial.Candidate;
import verisonus.core.trial.MatchedSounds;
import verisonus.core.trial.rate.RatingTrial;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;

/**
 * Several rated without their names, against the known record: the record itself and a low anchor are among them. The chosen ones of the
 * open comparison are rated.
 */
final class RatingModel {
    private static final int MIDDLE = 50;

    private final Desk desk;
    private final OpenModel open;
    private final RandomGenerator seeds;
    private final Slots slots;
    private final IntegerProperty rounds = new SimpleIntegerProperty(4);
    private final ReadOnlyBooleanWrapper running = new ReadOnlyBooleanWrapper();
    private final ReadOnlyObjectWrapper<Optional<Kept<RatingTrial>>> current = new ReadOnlyObjectWrapper<>(Optional
            .empty());
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private final ReadOnlyObjectWrapper<List<Integer>> given = new ReadOnlyObjectWrapper<>(List.of());
    private final Set<Integer> heard = new HashSet<>();
    private Optional<MatchedSounds> sounds = Optional.empty();
    private Optional<Passage> passage = Optional.empty();
    /** The case whose sounds are rated. */
    private long asked = -1;

    RatingModel(Desk desk, OpenModel open, RandomGenerator seeds) {
        this.desk = desk;
        this.open = open;
        this.seeds = seeds;
        this.slots = new Slots(desk);
        desk.open().subscribe(_ -> read());
        desk.changes().subscribe(_ -> read());
        desk.bench().subscribe(_ -> pause());
    }

    private Optional<Long> caseId() {
        return desk.open().get().map(o -> o.entry().id());
    }

    private void read() {
        List<Kept<RatingTrial>> all = caseId().map(id -> desk.book().listening().ratings(id)).orElse(List.of());
        Optional<Kept<RatingTrial>> now = all.stream().findFirst();
        if (running.get() && !caseId().equals(Optional.of(asked))) stop();
        boolean gone = running.get() && now.map(Kept::id).filter(id -> current.get().map(Kept::id).filter(id::equals)
                .isPresent()).isEmpty();
        if (gone) stop();
        current.set(now);
    }

    /** Draws an order and lays the first round; goes on with a rating that was left. */
    void begin() {
        Optional<Passage> p = Passage.of(desk);
        Optional<Kept<RatingTrial>> left = current.get().filter(k -> !k.value().isEnded());
        List<Candidates.Offer> chosen = left.map(k -> open.candidates().named(k.value().names())).orElse(open.offers()
                .stream().filter(o -> !o.name().equals("the record")).toList());
        if (p.isEmpty() || chosen.isEmpty()) {
            said.set("Choose what is to be rated above, beside the record.");
            return;
        }
        if (left.isPresent() && chosen.size() != left.get().value().names().size()) {
            said.set("Something that was rated is no longer there: give the rating up and begin anew.");
            return;
        }
        if (chosen.size() > RatingTrial.MOST_CANDIDATES) {
            said.set("Choose " + RatingTrial.MOST_CANDIDATES + " at most.");
            return;
        }
        List<Candidates.Offer> all = new ArrayList<>(open.candidates().named(List.of("the record")));
        all.addAll(chosen);
        Surroundings around = open.candidates().surroundings(open.around().get());
        long caseId = caseId().orElseThrow();
        Bench here = desk.bench().get();
        desk.forCase("Matching what is rated", progress -> {
            MatchedSounds m = Candidates.matched(all, p.get(), around, progress);
            List<Candidate> withAnchor = new ArrayList<>(m.candidates());
            withAnchor.add(1, new Candidate(RatingTrial.ANCHOR, Anchor.of(m.first())));
            return MatchedSounds.of(withAnchor);
        }).show(m -> {
            // Nothing is drawn for somebody who went elsewhere meanwhile.
            if (desk.bench().get() != here) return;
            passage = p;
            lay(m, chosen.stream().map(Candidates.Offer::name).toList(), left, caseId);
        });
    }

    private void lay(MatchedSounds m, List<String> names, Optional<Kept<RatingTrial>> left, long caseId) {
        if (!m.twins().isEmpty()) {
            said.set("Nothing to rate: " + m.twins().getFirst() + ".");
            return;
        }
        sounds = Optional.of(m);
        asked = caseId;
        Kept<RatingTrial> t = left.orElseGet(() -> desk.book().listening().begin(caseId, RatingTrial
                .begin(names, rounds.get(), seeds.nextLong())));
        given.set(java.util.Collections.nCopies(t.value().sounds(), MIDDLE));
        current.set(Optional.of(t));
        said.set("");
        running.set(true);
        round();
    }

    /** Place 0 is the record with its name; behind it the round's order. */
    private void round() {
        RatingTrial t = current.get().orElseThrow().value();
        MatchedSounds m = sounds.orElseThrow();
        List<Candidate> out = new ArrayList<>(List.of(m.candidates().getFirst()));
        for (int s : t.order(t.given().size())) out.add(m.candidates().get(s));
        slots.lay(new MatchedSounds(out, m.leftLu(), Optional.empty()), passage.orElseThrow().span(), true);
        heard.clear();
        given.set(java.util.Collections.nCopies(t.sounds(), MIDDLE));
        slots.hear(0);
    }

    /** Hears the record (0) or the sound at a place (1 and on). */
    void hear(int place) {
        if (!running.get()) return;
        heard.add(place);
        slots.hear(place);
    }

    int heardPlace() {
        return desk.player().source().get().slot();
    }

    void rate(int place, int rating) {
        List<Integer> next = new ArrayList<>(given.get());
        next.set(place - 1, Math.clamp(rating, 0, 100));
        given.set(List.copyOf(next));
    }

    /** Keeps the round's ratings and goes on. */
    void next() {
        if (!running.get()) return;
        RatingTrial t = current.get().orElseThrow().value();
        for (int place = 1; place <= t.sounds(); place++) {
            if (heard.contains(place)) continue;
            said.set("Hear " + letter(place) + " first.");
            return;
        }
        if (slots.brokeOff()) {
            said.set("The sound broke off: hear them once more, then go on.");
            heard.clear();
            return;
        }
        Kept<RatingTrial> next = desk.book().listening().rated(asked, current.get().orElseThrow(),
                given
                        .get());
        current.set(Optional.of(next));
        said.set("");
        if (next.value().isEnded()) {
            stop();
            desk.refresh();
        } else {
            round();
        }
    }

    static String letter(int place) {
        return String.valueOf((char) ('A' + place - 1));
    }

    void pause() {
        if (!running.get()) return;
        stop();
        said.set("Left as it stands; begin again to go on.");
    }

    void giveUp() {
        Optional<Kept<RatingTrial>> t = current.get().filter(k -> !k.value().isEnded());
        stop();
        t.ifPresent(k -> desk.book().listening().drop(caseId().orElseThrow(), k));
        desk.refresh();
        read();
    }

    private void stop() {
        if (!running.get()) return;
        running.set(false);
        slots.clear();
    }

    IntegerProperty rounds() {
        return rounds;
    }

    ReadOnlyBooleanProperty running() {
        return running.getReadOnlyProperty();
    }

    ReadOnlyObjectProperty<Optional<Kept<RatingTrial>>> current() {
        return current.getReadOnlyProperty();
    }

    ReadOnlyObjectProperty<List<Integer>> given() {
        return given.getReadOnlyProperty();
    }

    ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }

    Desk desk() {
        return desk;
    }

}
