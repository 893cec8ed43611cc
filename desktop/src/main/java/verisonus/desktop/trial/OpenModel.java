package verisonus.desktop.trial;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import javafx.beans.property.SimpleObjectProperty;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.core.trial.Candidate;
import verisonus.core.trial.MatchedSounds;
import verisonus.core.trial.open.DifferenceCourse;
import verisonus.core.trial.open.HowFar;
import verisonus.core.trial.open.MomentGap;
import verisonus.core.trial.open.OnlyWhatDiffers;
import verisonus.core.work.Figures;
import verisonus.core.work.Sentence;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.desk.Sounds;
import verisonus.desktop.player.Source;

/** Any number side by side, with their names: as loud as each other over the passage, switched where the music stands. */
final class OpenModel {
    private static final int MOST_MOMENTS = 4;

    private final Desk desk;
    private final Candidates candidates;
    private final Slots slots;
    private final Set<String> chosen = new LinkedHashSet<>(List.of("the record", "mine"));
    private final ObjectProperty<Around> around = new SimpleObjectProperty<>(Around.ALONE);
    private final ReadOnlyObjectWrapper<Optional<MatchedSounds>> laid = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<List<String>> marks = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyBooleanWrapper onlyDifference = new ReadOnlyBooleanWrapper();
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private final ReadOnlyObjectWrapper<Optional<Compared>> compared = new ReadOnlyObjectWrapper<>(Optional.empty());
    private Optional<Passage> passage = Optional.empty();

    /**
     * What was measured of what lies side by side.
     *
     * @param courses where each differs from the first, in their order; empty where another hand plays in the first
     */
    record Compared(MatchedSounds sounds, HowFar far, List<DifferenceCourse> courses) {
        /** How far a sound lies from the first; empty where that is not known. */
        OptionalDouble jnd(String name) {
            for (int i = 0; i < sounds.candidates().size(); i++)
                if (sounds.candidates().get(i).name().equals(name)) return far.jnd().get(i);
            return OptionalDouble.empty();
        }
    }

    OpenModel(Desk desk, Candidates candidates) {
        this.desk = desk;
        this.candidates = candidates;
        this.slots = new Slots(desk);
        desk.open().subscribe((was, now) -> {
            if (was.map(o -> o.entry().id()).equals(now.map(o -> o.entry().id()))) return;
            leave();
        });
        desk.sounds().subscribe(_ -> {
            leave();
            forget();
        });
        desk.bench().subscribe(_ -> leave());
        candidates.all().subscribe((was, now) -> {
            if (!names(was).equals(names(now))) forget();
        });
        around.subscribe(_ -> leave());
    }

    /** What was measured holds for what is offered now; of other sounds it says nothing. */
    private void forget() {
        compared.set(Optional.empty());
    }

    private static List<String> names(List<Candidates.Offer> offers) {
        return offers.stream().map(Candidates.Offer::name).toList();
    }

    /** What can be heard beside each other: as many as the player has places for. */
    List<Candidates.Offer> all() {
        return candidates.all().get().stream().limit(Source.SLOTS).toList();
    }

    /** Hears one of them as loud as the others; lays them side by side where they do not lie there yet. */
    void hear(String name) {
        int place = placeOf(name);
        if (place >= 0) hear(place);
        else lay(name);
    }

    private int placeOf(String name) {
        List<Candidate> all = laid.get().map(MatchedSounds::candidates).orElse(List.of());
        for (int i = 0; i < all.size(); i++) if (all.get(i).name().equals(name)) return i;
        return -1;
    }

    private void lay(String first) {
        List<Candidates.Offer> offers = candidates.now().stream().limit(Source.SLOTS).toList();
        Optional<Passage> p = Passage.of(desk);
        if (offers.size() < 2 || p.isEmpty()) {
            said.set("There is nothing to hear beside it yet: derive a tone, or bring a recording.");
            return;
        }
        Surroundings round = candidates.surroundings(around.get());
        Sounds of = desk.sounds().get();
        Bench here = desk.bench().get();
        desk.forCase("Laying " + offers.size() + " side by side",
                progress -> Candidates.matched(offers, p.get(), round, progress))
                .show(m -> {
                    // Somebody who went elsewhere, or has other sounds now, is not called back.
                    if (desk.bench().get() != here || desk.sounds().get() != of) return;
                    passage = p;
                    forget();
                    lay(m);
                    hear(Math.max(0, placeOf(first)));
                    if (round.around() == Around.ALONE) compare(m);
                });
    }

    /** How far each lies from the first and where, measured while they are heard already. */
    private void compare(MatchedSounds m) {
        Optional<Pairing> hand = desk.sounds().get().reference().isEmpty()
                ? Optional.of(Pairing.SAME_PERFORMANCE)
                : desk.open().get().flatMap(OpenCase::tone).map(t -> t.search().pairing());
        Pairing pairing = hand.orElse(Pairing.PLAYED_AGAIN);
        desk.forCase("Measuring how far they lie apart", progress -> new Compared(m, HowFar.of(m, pairing, progress),
                pairing == Pairing.SAME_PERFORMANCE
                        ? m.candidates().stream().map(c -> DifferenceCourse.of(m.first(), c.sound())).toList()
                        : List.of()))
                .show(c -> {
                    if (laid.get().filter(now -> now == m).isPresent()) compared.set(Optional.of(c));
                });
    }

    private void lay(MatchedSounds m) {
        slots.lay(m, passage.orElseThrow().span(), false);
        onlyDifference.set(false);
        laid.set(Optional.of(m));
        marks.set(List.of());
        List<String> words = new ArrayList<>(m.twins());
        m.lengths().ifPresent(words::add);
        for (int i = 1; i < m.candidates().size(); i++)
            if (m.turned(0, i))
                words.add(m.candidates().get(i).name() + " is " + m.candidates().getFirst().name()
                        + " turned in phase");
        said.set(words.isEmpty()
                ? ""
                : Sentence.begun(String.join("; ", words)) + ".");
    }

    void hear(int place) {
        if (laid.get().isEmpty()) return;
        if (onlyDifference.get() && place > 0) onlyDifference(place);
        else slots.hear(place);
    }

    /** The name of the one that is heard; empty where none of them is. */
    String heardName() {
        int place = heard();
        return place < 0 ? "" : laid.get().orElseThrow().candidates().get(place).name();
    }

    /** Which of them is heard; -1 for none. */
    int heard() {
        return laid.get().isEmpty() ? -1 : slots.heard();
    }

    /** Hears only what the heard one and the first do not share, or everything again. */
    void toggleOnlyDifference() {
        if (laid.get().isEmpty()) return;
        if (onlyDifference.get()) {
            int place = slots.heard();
            lay(laid.get().get());
            slots.hear(Math.max(0, place));
            return;
        }
        onlyDifference(Math.max(1, slots.heard()));
    }

    private void onlyDifference(int place) {
        MatchedSounds m = laid.get().orElseThrow();
        Candidate one = m.candidates().getFirst();
        Candidate other = m.candidates().get(place);
        desk.forCase("Taking away what they share", _ -> List.of(OnlyWhatDiffers.of(one.sound(), other.sound()),
                OnlyWhatDiffers.of(other.sound(), one.sound()))).show(d -> {
                    // Something else was laid, or all was taken away.
                    if (laid.get().filter(now -> now == m).isEmpty()) return;
                    List<Candidate> left = new ArrayList<>(m.candidates());
                    left.set(0, new Candidate(one.name(), d.get(0).sound()));
                    left.set(place, new Candidate(other.name(), d.get(1).sound()));
                    slots.lay(new MatchedSounds(left, 0, Optional.empty()), passage.orElseThrow().span(), false);
                    onlyDifference.set(true);
                    slots.hear(place);
                    said.set(Figures.of(
                            "Only what they do not share, as loud as it is in the whole: what only %s has lies %s, what"
                                    + " only %s has %s.",
                            one.name(), under(d.get(0)), other.name(), under(d.get(1))));
                });
    }

    /** Moments tell of the gear only where the same hand plays. */
    private void sayWhoseItIs() {
        boolean replay = desk.open().get().flatMap(OpenCase::tone)
                .filter(t -> t.search().pairing() == Pairing.SAME_PERFORMANCE).isEmpty();
        if (replay) said.set("Another hand plays here than on the record: single moments differ by the playing too.");
    }

    private static String under(OnlyWhatDiffers d) {
        return Double.isInfinite(d.underWholeLu())
                ? "under hearing"
                : Figures.of("%.0f LU under it", Math.max(0, d.underWholeLu()));
    }

    /** Notes where something was heard, and what differs most there. */
    void mark() {
        int place = heard();
        if (place < 0) return;
        MatchedSounds m = laid.get().orElseThrow();
        int other = place == 0 ? 1 : place;
        double at = desk.player().positionS().get() - passage.orElseThrow().span().fromS();
        Sound a = m.first();
        Sound b = m.sound(other);
        List<MomentGap> gap = MomentGap.at(a, b, at);
        List<String> next = new ArrayList<>(marks.get());
        next.add(words(at, gap, m.candidates().getFirst().name(), m.candidates().get(other).name()));
        marks.set(List.copyOf(next));
        sayWhoseItIs();
    }

    /** Where the passage begins on the record's time axis, s. */
    double fromS() {
        return passage.map(p -> p.span().fromS()).orElse(0.0);
    }

    /** Moves the music to a moment of the passage. */
    void seek(double atS) {
        desk.player().seek(fromS() + atS);
    }

    /** Where the heard one, or mine, differs from the first over the phrase; empty where another hand plays there. */
    Optional<DifferenceCourse> course() {
        return compared.get().filter(c -> !c.courses.isEmpty()).map(c -> c.courses.get(Math.max(1, heard())));
    }

    /** The bench's sentence: what gives mine away, as far as that was measured. */
    Optional<String> heading() {
        if (desk.sounds().get().reference().isEmpty())
            return Optional.of("There is no record: hear what you have side by"
                    + " side.");
        Optional<GapLedger> gap = desk.open().get().flatMap(OpenCase::tone).map(DerivedTone::gap);
        Optional<GapRow> most = gap.filter(GapLedger::isMeasured)
                .flatMap(g -> g.rows().stream().filter(g::counts)
                        .max(Comparator.comparingDouble(GapRow::audibility)));
        if (most.isEmpty() || most.get().audibility() < 1) return Optional.empty();
        Optional<DifferenceCourse.Moment> moment = compared.get().filter(c -> c.courses.size() > 1)
                .flatMap(c -> c.courses.get(1).largest());
        return Optional.of("What tells mine from the record most: " + most.get().attribute().playersWords()
                + moment.map(m -> Figures.of("; hear the %s at %s.", m.part().words(), clock(fromS() + m.atS())))
                        .orElse("."));
    }

    private static String clock(double s) {
        return Figures.of("%d:%02d", (int) (s / 60), (int) (s % 60));
    }

    private String words(double atS, List<MomentGap> gap, String first, String second) {
        double on = atS + passage.orElseThrow().span().fromS();
        return Figures.of("%d:%04.1f  ", (int) (on / 60), on % 60) + (gap.isEmpty() || gap.getFirst()
                .jnd() < 1
                        ? "no part of the sound differs by a step there"
                        : gap.stream().filter(g -> g.jnd() >= 1).map(g -> g.words(first, second))
                                .collect(java.util.stream.Collectors.joining(", ")));
    }

    /** Where the passage differs most, for whoever wants to know where to listen. */
    void largest() {
        int place = Math.max(1, heard());
        if (laid.get().isEmpty()) return;
        MatchedSounds m = laid.get().get();
        List<String> next = new ArrayList<>(marks.get());
        for (MomentGap g : MomentGap.largest(m.first(), m.sound(place), MOST_MOMENTS))
            next.add(words(g.atS(), List.of(g), m.candidates().getFirst().name(), m.candidates().get(place).name()));
        marks.set(List.copyOf(next));
        sayWhoseItIs();
    }

    /** Takes them away; the listening bar plays its own sounds again. */
    void leave() {
        if (laid.get().isEmpty()) return;
        laid.set(Optional.empty());
        onlyDifference.set(false);
        marks.set(List.of());
        said.set("");
        slots.clear();
    }

    boolean isChosen(String name) {
        return chosen.contains(name);
    }

    void choose(String name, boolean on) {
        if (on) chosen.add(name);
        else chosen.remove(name);
    }

    Candidates candidates() {
        return candidates;
    }

    /** What of the chosen can be played. */
    List<Candidates.Offer> offers() {
        return candidates.named(chosen);
    }

    ObjectProperty<Around> around() {
        return around;
    }

    /** Whether there is anything to put round the guitar in this way. */
    boolean can(Around a) {
        return switch (a) {
            case ALONE -> true;
            case BAND -> desk.sounds().get().backing().isPresent();
            case REST -> desk.sounds().get().backing().isEmpty() && desk.sounds().get().di().isPresent();
            case BED -> candidates.tempo().isPresent();
        };
    }

    ReadOnlyObjectProperty<Optional<MatchedSounds>> laid() {
        return laid.getReadOnlyProperty();
    }

    /** What was measured of them; empty while it is not known. */
    ReadOnlyObjectProperty<Optional<Compared>> compared() {
        return compared.getReadOnlyProperty();
    }

    ReadOnlyObjectProperty<List<String>> marks() {
        return marks.getReadOnlyProperty();
    }

    ReadOnlyBooleanProperty onlyWhatDiffers() {
        return onlyDifference.getReadOnlyProperty();
    }

    ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }

    Desk desk() {
        return desk;
    }
}
