package verisonus.desktop.perform;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.casebook.store.Region;
import verisonus.core.perform.foot.FootLimits;
import verisonus.core.perform.foot.FootRide;
import verisonus.core.perform.foot.PedalRange;
import verisonus.core.perform.foot.PedalRangeFinder;
import verisonus.core.perform.foot.PedalUse;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;

/** What may be moved by a foot, and how far; what is on the pedals, and what is wrong with it. */
public final class FootModel {
    private final Desk desk;
    private final ReadOnlyObjectWrapper<Optional<PedalRange>> found = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<List<PedalUse>> uses = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyObjectWrapper<List<ControlPlace>> sweepable = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyObjectWrapper<List<FootRide>> ridden = new ReadOnlyObjectWrapper<>(List.of());
    private Optional<Ground> riddenOn = Optional.empty();
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");

    public FootModel(Desk desk) {
        this.desk = desk;
        desk.open().subscribe(_ -> read());
        desk.changes().subscribe(_ -> read());
        desk.sounds().subscribe(_ -> read());
    }

    private void read() {
        uses.set(desk.open().get().map(o -> desk.book().performances().pedals(o.entry().id())).orElse(List.of()));
        sweepable.set(all());
        Optional<Ground> g = Ground.of(desk);
        if (found.get().filter(r -> g.flatMap(x -> control(x.tone(), r.place())).isPresent()).isEmpty())
            found.set(Optional.empty());
        // What was read off one case's record, or for another tone, says nothing here.
        if (riddenOn.filter(was -> was.isStill(desk)).isEmpty()) ridden.set(List.of());
    }

    private List<ControlPlace> all() {
        List<ControlPlace> out = new ArrayList<>();
        Ground.of(desk).ifPresent(g -> g.tone().blocks().stream().filter(Block::on).forEach(b -> b.model().turnable()
                .stream().filter(c -> !c.isChoice() && !(c.rare() && !b.settings().containsKey(c.name())))
                .forEach(c -> out.add(ControlPlace.of(b, c.name())))));
        return out;
    }

    private static Optional<Control> control(Tone t, ControlPlace p) {
        return t.find(p.block()).flatMap(b -> b.model().find(p.control()));
    }

    /** A value of a control as the player's own device shows it. */
    public String display(ControlPlace p, double value) {
        return Ground.of(desk).flatMap(g -> g.tone().find(p.block()).flatMap(b -> b.model().find(p.control())
                .map(c -> desk.rig().get().display(b.model(), c, value)))).orElse("");
    }

    public Optional<Control> control(ControlPlace p) {
        return Ground.of(desk).flatMap(g -> control(g.tone(), p));
    }

    /** Plays the control along its track and finds heel and toe. */
    public void find(ControlPlace place) {
        Optional<Ground> g = Ground.of(desk);
        if (g.isEmpty()) {
            said.set("Derive a tone first: then a foot can move it.");
            return;
        }
        desk.forTone("Moving " + place + " along its track", progress -> new PedalRangeFinder(g.get().tone(),
                g.get().di(), FootLimits.USUAL).of(place, progress)).show(r -> {
                    found.set(Optional.of(r));
                    said.set(r.isUseful() ? "" : place + ": nothing for a foot, " + r.lowWhy() + ".");
                });
    }

    /** Reads off the record what somebody rode while it was made. */
    public void follow() {
        Optional<Ground> g = Ground.of(desk);
        Optional<Sound> record = desk.open().get().flatMap(OpenCase::region)
                .flatMap(r -> desk.sounds().get().reference().map(s -> s.slice(r.fromS(), r.toS())));
        if (g.isEmpty() || record.isEmpty()) {
            said.set("Mark a region of the record and derive a tone first: then a hand on it can be followed.");
            return;
        }
        double from = desk.open().get().flatMap(OpenCase::region).map(Region::fromS).orElse(0.0);
        OptionalDouble laid = desk.open().get().orElseThrow().laidS(from);
        desk.forTone("Following what was ridden",
                progress -> FootRide.read(record.get(), g.get().di(), laid, g.get().tone(), progress).stream()
                        .map(r -> r.later(from)).toList())
                .show(rides -> {
                    riddenOn = g;
                    ridden.set(rides);
                    said.set(rides.isEmpty()
                            ? "Nothing that a hand rode can be followed: level and repeats stand still, or hide in the"
                                    + " playing."
                            : "");
                });
    }

    /** What was ridden on the record, on its own time axis; empty until it was asked for. */
    public ReadOnlyObjectProperty<List<FootRide>> ridden() {
        return ridden.getReadOnlyProperty();
    }

    /** Keeps the range that was found on a pedal. */
    public void keep(String pedal) {
        Optional<Ground> g = Ground.of(desk);
        Optional<PedalRange> r = found.get().filter(PedalRange::isUseful);
        if (g.isEmpty() || r.isEmpty()) {
            said.set("Find a range first.");
            return;
        }
        if (pedal.isBlank()) {
            said.set("Name the pedal.");
            return;
        }
        desk.book().performances().keep(g.get().caseId(),
                new PedalUse(pedal.strip(), r.get().place(), r.get().low(), r.get().high()));
        desk.refresh();
    }

    public void drop(PedalUse use) {
        Ground.of(desk).ifPresent(g -> {
            desk.book().performances().drop(g.caseId(), use);
            desk.refresh();
        });
    }

    /** What will go wrong under the foot, with the tone and all its variants. */
    public List<String> faults() {
        return Ground.of(desk).map(g -> PedalUse.faults(uses.get(), g.tone(), desk.book().performances()
                .variants(g.caseId()))).orElse(List.of());
    }

    /** Hears the tone with the control at a place of the pedal's way. */
    public void hear(PedalRange r, double value) {
        Ground.of(desk).ifPresent(g -> g.tone().find(r.place().block())
                .ifPresent(b -> g.hear(desk, g.tone().with(b.with(r.place().control(), value)))));
    }

    /** Controls that a foot could sweep: those that are on, no switches, what is seldom moved only where it was. */
    public ReadOnlyObjectProperty<List<ControlPlace>> sweepable() {
        return sweepable.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Optional<PedalRange>> found() {
        return found.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<List<PedalUse>> uses() {
        return uses.getReadOnlyProperty();
    }

    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }
}
