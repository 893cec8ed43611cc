package verisonus.desktop.listen;

import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyListProperty;
import javafx.beans.property.ReadOnlyListWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import javafx.collections.FXCollections;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.evidence.study.Course;
import verisonus.core.evidence.study.Isolation;
import verisonus.core.evidence.study.Passage;
import verisonus.core.evidence.study.PassageFinder;
import verisonus.core.sound.Sound;
import verisonus.desktop.desk.Bench;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.DrawnCourse;

import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.desk.Sounds;
import verisonus.desktop.player.PlayerModel;

/** The reference's course over time and the regions marked on it. */
public final class ListenModel {
    /** A shorter drag is a slip of the hand. */
    private static final double SHORTEST_S = 0.5;

    private final Desk desk;
    private final ReadOnlyObjectWrapper<Optional<Course>> course = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ObjectProperty<Region.Role> role = new SimpleObjectProperty<>(Region.Role.CORE_TONE);

    private final ReadOnlyListWrapper<Passage> proposals = new ReadOnlyListWrapper<>(
            FXCollections.observableArrayList());
    private final ReadOnlyObjectWrapper<PlayerModel.Span> view = new ReadOnlyObjectWrapper<>(
            new PlayerModel.Span(0, 1));
    private Optional<String> drawn = Optional.empty();

    public ListenModel(Desk desk) {
        this.desk = desk;
        desk.open().subscribe(this::showKept);
        desk.sounds().subscribe(s -> s.reference().ifPresent(this::draw));
        showKept(desk.open().get());
    }

    /** Whether there is a take of the player's and no record. */
    boolean hasTakeAlone() {
        return reference().isEmpty() && desk.open().get().flatMap(o -> o.first(Medium.Role.DI)).isPresent();
    }

    /** Goes to where a tone begins without one. */
    void startOwn() {
        desk.bench().set(Bench.DERIVE);
    }

    private double lengthS() {
        return reference().map(Medium::durationS).orElse(1.0);
    }

    private Optional<Medium> reference() {
        return desk.open().get().flatMap(o -> o.first(Medium.Role.REFERENCE));
    }

    /** A course that was drawn before is there at once, before the sound is. */
    private void showKept(Optional<OpenCase> open) {
        Optional<String> hash = open.flatMap(o -> o.first(Medium.Role.REFERENCE)).map(Medium::hash);
        if (hash.equals(drawn)) return;
        drawn = hash;
        show(hash.flatMap(desk.book().recordings()::course));
        view.set(new PlayerModel.Span(0, lengthS()));
    }

    private void show(Optional<Course> made) {
        course.set(made);
        proposals.setAll(made.map(PassageFinder::in).orElse(List.of()));
    }

    private void draw(Sound sound) {
        Optional<String> hash = drawn;
        if (course.get().isPresent() || hash.isEmpty()) return;
        desk.forCase("Drawing the recording", _ -> {
            Course made = DrawnCourse.of(sound);
            desk.book().recordings().keepCourse(hash.get(), made);
            return made;
        }).show(made -> {
            if (drawn.equals(hash)) show(Optional.of(made));
        });
    }

    /** Zooms about a time; factor over 1 shows more. */
    public void zoom(double factor, double aboutS) {
        PlayerModel.Span v = view.get();
        double span = Math.clamp((v.toS() - v.fromS()) * factor, Math.min(1, lengthS()), lengthS());
        double share = (aboutS - v.fromS()) / Math.max(1e-9, v.toS() - v.fromS());
        look(aboutS - share * span, span);
    }

    /** Moves the view by a share of what it spans. */
    public void scroll(double share) {
        PlayerModel.Span v = view.get();
        double span = v.toS() - v.fromS();
        look(v.fromS() + share * span, span);
    }

    private void look(double fromS, double spanS) {
        double from = Math.clamp(fromS, 0, Math.max(0, lengthS() - spanS));
        view.set(new PlayerModel.Span(from, from + spanS));
    }

    /** The part of the recording that is drawn. */
    public ReadOnlyObjectProperty<PlayerModel.Span> view() {
        return view.getReadOnlyProperty();
    }

    /** Stretches worth studying that are not marked yet, each with its reason. */
    public ReadOnlyListProperty<Passage> proposals() {
        return proposals.getReadOnlyProperty();
    }

    /** Proposals that no region of the same role covers by half. */
    public List<Passage> openProposals() {
        List<Region> regions = desk.open().get().map(OpenCase::regions).orElse(List.of());
        return proposals.stream().filter(p -> regions.stream().noneMatch(r -> r.role() == role(p.purpose())
                && Math.min(r.toS(), p.toS()) - Math.max(r.fromS(), p.fromS()) > 0.5 * (p.toS() - p.fromS()))).toList();
    }

    /** Marks the best proposal that is still open. @return whether there was one */
    public boolean acceptNext() {
        List<Passage> open = openProposals();
        if (open.isEmpty()) return false;
        accept(open.get(0));
        return true;
    }

    /** Marks a proposal as a region. */
    public void accept(Passage p) {
        reference().ifPresent(m -> {
            long id = desk.book().recordings().addRegion(m.id(), role(p.purpose()), p.fromS(),
                    Math.min(p.toS(), m.durationS()));
            desk.refresh();
            desk.open().get().flatMap(o -> o.regions().stream().filter(r -> r.id() == id).findFirst())
                    .ifPresent(desk::chooseRegion);
        });
    }

    static Region.Role role(Passage.Purpose purpose) {
        return switch (purpose) {
            case CORE_TONE -> Region.Role.CORE_TONE;
            case ECHO_TAIL -> Region.Role.ECHO_TAIL;
            case NOISE -> Region.Role.NOISE;
        };
    }

    /** Ways of hearing the reference that suit it, and of which all is there that they need. */
    List<Isolation> waysToHear() {
        Sounds s = desk.sounds().get();
        int channels = s.reference().map(r -> r.channels().length).orElse(1);
        return java.util.Arrays.stream(Isolation.values())
                .filter(w -> w.suits(channels) && (!w.isGuided() || s.di().isPresent())).toList();
    }

    /** Hears the reference in the next of them. */
    public void nextIsolation() {
        List<Isolation> ways = waysToHear();
        desk.isolation().set(ways.get((ways.indexOf(desk.isolation().get()) + 1) % ways.size()));
    }

    /** Marks a part of the reference for the chosen role; what is shorter than half a second is left alone. */
    public void mark(double fromS, double toS) {
        Optional<Medium> reference = desk.open().get().flatMap(o -> o.first(Medium.Role.REFERENCE));
        double from = Math.max(0, Math.min(fromS, toS));
        double to = Math.min(Math.max(fromS, toS), reference.map(Medium::durationS).orElse(0.0));
        if (reference.isEmpty() || to - from < SHORTEST_S) return;
        long id = desk.book().recordings().addRegion(reference.get().id(), role.get(), from, to);
        desk.refresh();
        desk.open().get().flatMap(o -> o.regions().stream().filter(r -> r.id() == id).findFirst())
                .ifPresent(desk::chooseRegion);
    }

    /** Moves the chosen region to typed times. @return whether the times make a region */
    public boolean moveTo(double fromS, double toS) {
        Optional<Region> region = desk.open().get().flatMap(OpenCase::region);
        double end = desk.open().get().flatMap(o -> o.first(Medium.Role.REFERENCE)).map(Medium::durationS).orElse(0.0);
        if (region.isEmpty() || !(fromS >= 0) || !(toS <= end + 0.005) || !(toS - fromS >= SHORTEST_S)) return false;
        Region r = region.get();
        if (r.fromS() == fromS && r.toS() == toS) return true;
        desk.book().recordings().updateRegion(new Region(r.id(), r.mediumId(), r.role(), fromS, toS));
        desk.refresh();
        return true;
    }

    /** Lays a take at a typed time; nothing typed lets it be looked for. @return whether the time lies where a take can begin */
    public boolean lay(Medium take, String typed) {
        if (typed.isBlank()) {
            desk.layTake(take, OptionalDouble.empty());
            return true;
        }
        double at = seconds(typed);
        if (!(at > -take.durationS()) || !(at < lengthS())) return false;
        desk.layTake(take, OptionalDouble.of(at));
        return true;
    }

    /** Lays a take where the player stands. */
    public void layHere(Medium take) {
        desk.layTake(take, OptionalDouble.of(desk.player().positionS().get()));
    }

    /** What was typed as seconds; not a number where it is none. */
    static double seconds(String typed) {
        try {
            return Double.parseDouble(typed.strip().replace(',', '.'));
        } catch (NumberFormatException e) {
            return Double.NaN;
        }
    }

    /** Gives the chosen region another role. */
    public void relabel(Region.Role wanted) {
        desk.open().get().flatMap(OpenCase::region).filter(r -> r.role() != wanted).ifPresent(r -> {
            desk.book().recordings().updateRegion(new Region(r.id(), r.mediumId(), wanted, r.fromS(), r.toS()));
            desk.refresh();
        });
    }

    public void remove() {
        desk.open().get().flatMap(OpenCase::region).ifPresent(r -> {
            desk.book().recordings().removeRegion(r);
            desk.refresh();
        });
    }

    public Desk desk() {
        return desk;
    }

    public ReadOnlyObjectProperty<Optional<Course>> course() {
        return course.getReadOnlyProperty();
    }

    /** What the next region that is marked is good for. */
    public ObjectProperty<Region.Role> role() {
        return role;
    }
}
