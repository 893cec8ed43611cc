package verisonus.desktop.listen;

import java.util.Optional;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.core.evidence.Course;
import verisonus.core.sound.Sound;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;

/** The reference's course over time and the regions marked on it. */
public final class ListenModel {
    /** How many values of each ribbon are kept: more than a wide screen has points. */
    private static final int STEPS = 2400;
    /** A shorter drag is a slip of the hand. */
    private static final double SHORTEST_S = 0.5;

    private final Desk desk;
    private final ReadOnlyObjectWrapper<Optional<Course>> course = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ObjectProperty<Region.Role> role = new SimpleObjectProperty<>(Region.Role.CORE_TONE);

    private Optional<Sound> drawn = Optional.empty();

    public ListenModel(Desk desk) {
        this.desk = desk;
        desk.sounds().subscribe(s -> show(s.reference()));
    }

    private void show(Optional<Sound> reference) {
        if (reference.equals(drawn)) return;
        drawn = reference;
        course.set(Optional.empty());
        reference.ifPresent(r -> desk.work().run("Drawing the recording", _ -> Course.of(r, STEPS), made -> {
            if (drawn.equals(Optional.of(r))) course.set(Optional.of(made));
        }));
    }

    /** Marks a part of the reference for the chosen role; what is shorter than half a second is left alone. */
    public void mark(double fromS, double toS) {
        Optional<Medium> reference = desk.open().get().flatMap(o -> o.first(Medium.Role.REFERENCE));
        double from = Math.max(0, Math.min(fromS, toS));
        double to = Math.min(Math.max(fromS, toS), reference.map(Medium::durationS).orElse(0.0));
        if (reference.isEmpty() || to - from < SHORTEST_S) return;
        long id = desk.book().addRegion(reference.get().id(), role.get(), from, to);
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
        desk.book().updateRegion(new Region(r.id(), r.mediumId(), r.role(), fromS, toS));
        desk.refresh();
        return true;
    }

    /** Gives the chosen region another role. */
    public void relabel(Region.Role wanted) {
        desk.open().get().flatMap(OpenCase::region).filter(r -> r.role() != wanted).ifPresent(r -> {
            desk.book().updateRegion(new Region(r.id(), r.mediumId(), wanted, r.fromS(), r.toS()));
            desk.refresh();
        });
    }

    public void remove() {
        desk.open().get().flatMap(OpenCase::region).ifPresent(r -> {
            desk.book().removeRegion(r);
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
