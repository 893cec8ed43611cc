package verisonus.desktop.perform;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.core.perform.check.StageChecks;
import verisonus.core.perform.device.Build;
import verisonus.core.perform.device.SameEffect;
import verisonus.core.perform.device.Translation;
import verisonus.core.perform.device.Translator;
import verisonus.core.perform.device.Transparency;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
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
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");
    private Optional<Tone> of = Optional.empty();

    /** The tone on a device. */
    public record Device(String name, Rig rig, Translation translation) {}

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
        ground().ifPresent(g -> desk.work().run("Taking parts away", progress -> {
            List<Build> ladder = Build.ladder(g.tone(), g.di(), desk.rig().get(), progress);
            List<String> out = new ArrayList<>();
            for (SameEffect s : SameEffect.in(g.tone(), g.di()))
                out.add(s.first() + " and " + s.second() + ": " + s.words() + ".");
            for (String w : StageChecks.of(g.tone(), g.di(), Progress.NONE))
                out.add(w.substring(0, 1).toUpperCase(Locale.ROOT) + w.substring(1) + ".");
            for (Block b : g.tone().blocks())
                if (b.on() && b.model().kind() == GearKind.DRIVE && g.tone().first(GearKind.AMP).isPresent())
                    out.add("The " + b.model().name() + ": " + Transparency.of(g.tone(), b.id(), g.di()).words() + ".");
            return new Weighed(ladder, out);
        }, w -> {
            if (!g.isStill(desk)) return;
            builds.set(w.builds);
            remarks.set(w.remarks);
        }));
    }

    /** Brings the tone to a device whose gear a rig file lists. */
    public void translate(Path file) {
        ground().ifPresent(g -> desk.work().run("Bringing the tone to " + file.getFileName(), progress -> {
            Rig rig = ToneJson.readRig(file.toString(), Json.read(file));
            return new Device(String.valueOf(file.getFileName()).replaceAll("(?i)\\.json$", ""), rig,
                    new Translator(g.tone(), g.di(), rig).translated(progress));
        }, d -> {
            if (g.isStill(desk)) device.set(Optional.of(d));
        }));
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
