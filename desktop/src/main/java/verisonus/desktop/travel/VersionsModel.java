package verisonus.desktop.travel;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import verisonus.casebook.store.DerivedTone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.travel.Journey;
import verisonus.core.travel.Travelled;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.desktop.desk.Desk;
import verisonus.desktop.desk.OpenCase;
import verisonus.desktop.desk.Sounds;
import verisonus.desktop.session.ToneVersions;

/** The record, mine, the tone's variants and the tones it was before, each on every system: worked out when asked for. */
public final class VersionsModel {
    /** One version. @param on by system, in the order of the casebook's systems */
    public record OnSystems(String name, List<Travelled> on) {
        public OnSystems {
            on = List.copyOf(on);
        }

        Optional<Travelled> on(PlaybackSystem s) {
            return on.stream().filter(t -> t.system().id().equals(s.id())).findFirst();
        }
    }

    private final Desk desk;
    private final TravelModel travel;
    private final ReadOnlyObjectWrapper<List<OnSystems>> all = new ReadOnlyObjectWrapper<>(List.of());

    VersionsModel(Desk desk, TravelModel travel) {
        this.desk = desk;
        this.travel = travel;
        // What was worked out is of the tone and the level of then.
        travel.travelled().subscribe(_ -> all.set(List.of()));
    }

    /** Takes all versions to all systems. */
    public void compare() {
        Optional<OpenCase> open = desk.open().get();
        Optional<DerivedTone> tone = open.flatMap(OpenCase::tone);
        Sounds sounds = desk.sounds().get();
        if (open.isEmpty() || tone.isEmpty() || sounds.mine().isEmpty() || sounds.di().isEmpty()) return;
        long id = open.get().entry().id();
        double level = travel.levelDbSpl().get();
        List<PlaybackSystem> systems = travel.travelled().get().stream().map(Travelled::system).toList();
        Optional<Sound> second = sounds.second();
        desk.forTone("Taking every version to other systems", progress -> {
            List<ToneVersions.Version> versions = new ArrayList<>(ToneVersions.variants(desk, id, tone.get().tone()));
            versions.addAll(ToneVersions.earlier(desk, id, tone.get().tone()));
            List<OnSystems> out = new ArrayList<>();
            sounds.reference().ifPresent(r -> out.add(new OnSystems("the record",
                    new Journey(r, Optional.empty(), sounds.backing(), level).to(systems))));
            out.add(new OnSystems("mine", on(sounds.mine().get(), sounds, level, systems)));
            for (ToneVersions.Version v : versions) {
                progress.step((double) out.size() / (versions.size() + 2), "playing " + v.name());
                Sound played = Renderer.render(v.tone(), sounds.di().get(), second, Quality.SEARCH, progress);
                out.add(new OnSystems(v.name(), on(played, sounds, level, systems)));
            }
            return out;
        }).show(found -> {
            // The level was turned meanwhile: these are of another one.
            if (travel.levelDbSpl().get() == level && desk.sounds().get() == sounds) all.set(found);
        });
    }

    private static List<Travelled> on(Sound played, Sounds sounds, double level, List<PlaybackSystem> systems) {
        return new Journey(played, sounds.reference(), sounds.backing(), level).to(systems);
    }

    /** What was worked out; empty until it is asked for, and again once the tone or the level has changed. */
    public ReadOnlyObjectProperty<List<OnSystems>> all() {
        return all.getReadOnlyProperty();
    }
}
