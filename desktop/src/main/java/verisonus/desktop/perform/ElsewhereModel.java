package verisonus.desktop.perform;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.core.perform.check.StageChecks;
import verisonus.core.perform.device.Build;
import verisonus.core.perform.device.DriveTrim;
import verisonus.core.perform.device.Platform;
import verisonus.core.perform.device.SameEffect;
import verisonus.core.perform.device.Translation;
import verisonus.core.perform.device.Translator;
import verisonus.core.perform.device.Transparency;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.work.Progress;
import verisonus.desktop.desk.Desk;

/** The same tone with fewer parts or on another device. */
public final class ElsewhereModel {
    private final Desk desk;
    private final ReadOnlyObjectWrapper<List<Build>> builds = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyObjectWrapper<List<String>> remarks = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyObjectWrapper<Optional<Device>> device = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<List<Line>> pedals = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private Optional<Tone> of = Optional.empty();

    /** The tone on a device. */
    public record Device(String name, Rig rig, Translation translation) {}

    /** Something said of a tone that can be heard. */
    public record Line(String words, Optional<Tone> tone) {}

    private record Weighed(List<Build> builds, List<String> remarks) {}

    public ElsewhereModel(Desk desk) {
        this.desk = desk;
        desk.open().subscribe(_ -> forget());
    }

    /** What was worked out belongs to the tone it was worked out for. */
    private void forget() {
        Optional<Tone> now = Ground.of(desk).map(Ground::tone);
        if (of.isPresent() && of.equals(now)) return;
        builds.set(List.of());
        remarks.set(List.of());
        device.set(Optional.empty());
        pedals.set(List.of());
        said.set("");
    }

    private Optional<Ground> ground() {
        Optional<Ground> g = Ground.of(desk);
        if (g.isEmpty()) said.set("Derive a tone first: then it can be built smaller.");
        of = g.map(Ground::tone);
        return g;
    }

    /** From the whole tone to its fewest parts; what is there twice; what its drives leave of the amp. */
    public void findBuilds() {
        Rig rig = desk.rig().get();
        ground().ifPresent(g -> desk.forTone("Taking parts away", progress -> {
            List<Build> ladder = Build.ladder(g.tone(), g.di(), rig, progress);
            List<String> out = new ArrayList<>();
            for (SameEffect s : SameEffect.in(g.tone(), g.di()))
                out.add(s.first() + " and " + s.second() + ": " + s.words() + ".");
            for (String w : StageChecks.of(g.tone(), g.di(), Progress.NONE))
                out.add(w.substring(0, 1).toUpperCase(Locale.ROOT) + w.substring(1) + ".");
            for (Block b : g.tone().blocks())
                if (b.on() && b.model().kind() == GearKind.DRIVE && g.tone().first(GearKind.AMP).isPresent())
                    out.add("The " + b.model().name() + ": " + Transparency.of(g.tone(), b.id(), g.di()).words() + ".");
            return new Weighed(ladder, out);
        }).show(w -> {
            builds.set(w.builds);
            remarks.set(w.remarks);
        }));
    }

    /** Brings the tone to a device whose gear a rig file lists. */
    public void translate(Path file) {
        ground().ifPresent(g -> desk.forTone("Bringing the tone to " + file.getFileName(), progress -> {
            Rig rig = ToneJson.readRig(file.toString(), Json.read(file));
            return new Device(String.valueOf(file.getFileName()).replaceAll("(?i)\\.json$", ""), rig,
                    new Translator(g.tone(), g.di(), rig).translated(progress));
        }).show(d -> device.set(Optional.of(d))));
    }

    /** How the tone's pedal must be turned in front of the other amps the player owns. */
    public void onOtherAmps() {
        ground().ifPresent(g -> {
            List<Model> amps = desk.rig().get().owned(GearKind.AMP);
            desk.forTone("Trying the pedal on other amps",
                    progress -> DriveTrim.of(g.tone(), amps, g.di(), progress).stream()
                            .map(d -> new Line(d.words() + ".", Optional.of(d.tone()))).toList())
                    .show(lines -> tell(lines, "You own no other amp."));
        });
    }

    /** One amp setting under the pedals of all cases whose tone has an amp and a pedal. */
    public void oneAmp() {
        ground().ifPresent(g -> {
            List<Tone> tones = new ArrayList<>(List.of(g.tone()));
            desk.book().cases().stream().filter(c -> c.id() != g.caseId())
                    .forEach(c -> desk.book().tones().tone(c.id())
                            .ifPresent(t -> tones.add(t.tone().named(c.name()))));
            List<Tone> driven = tones.stream().filter(t -> isOn(t, GearKind.AMP) && isOn(t, GearKind.DRIVE)).toList();
            if (driven.size() < 2) {
                said.set("There are fewer than two tones with an amp and a pedal in this casebook.");
                return;
            }
            Rig rig = desk.rig().get();
            desk.forTone("Turning one amp for all pedals",
                    progress -> lines(Platform.of(driven, g.di(), progress), rig)).show(lines -> tell(lines, ""));
        });
    }

    private static boolean isOn(Tone t, GearKind kind) {
        return t.first(kind).filter(Block::on).isPresent();
    }

    private static List<Line> lines(Platform p, Rig rig) {
        List<Line> out = new ArrayList<>();
        String amp = p.amp().entrySet().stream().sorted(Map.Entry.comparingByKey())
                .map(e -> e.getKey() + " " + rig.display(p.model(), p.model().control(e.getKey()),
                        e.getValue()))
                .collect(Collectors.joining(", "));
        out.add(new Line("One " + p.model().name() + " for all: " + amp + ".", Optional.empty()));
        for (Platform.Under u : p.under())
            out.add(new Line(u.name() + ": " + u.words() + ".", Optional.of(u.tone())));
        return out;
    }

    private void tell(List<Line> lines, String none) {
        pedals.set(lines);
        said.set(lines.isEmpty() ? none : "");
    }

    /** What was found of pedals and amps. */
    public ReadOnlyObjectProperty<List<Line>> pedals() {
        return pedals.getReadOnlyProperty();
    }

    /** Hears a tone in the place of mine. */
    public void hear(Tone tone) {
        Ground.of(desk).ifPresent(g -> g.hear(desk, tone));
    }

    public ReadOnlyObjectProperty<List<Build>> builds() {
        return builds.getReadOnlyProperty();
    }

    /** What is there twice, and what the drives leave of the amp. */
    public ReadOnlyObjectProperty<List<String>> remarks() {
        return remarks.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Optional<Device>> device() {
        return device.getReadOnlyProperty();
    }

    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }
}
