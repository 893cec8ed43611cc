package verisonus.desktop.perform;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import verisonus.casebook.exchange.PerformanceJson;
import verisonus.core.perform.song.FewerVariants;
import verisonus.core.perform.song.Section;
import verisonus.core.perform.song.SectionFinder;
import verisonus.core.perform.song.SongMap;
import verisonus.core.perform.song.SwitchWay;
import verisonus.core.rig.Variant;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.desktop.desk.Desk;

/** The song's sections, what is played in each, and what changing costs the feet and the ear. */
public final class SongModel {
    private final Desk desk;
    private final ReadOnlyObjectWrapper<PerformanceJson.Song> song = new ReadOnlyObjectWrapper<>(
            PerformanceJson.Song.NONE);
    private final ReadOnlyObjectWrapper<Optional<SongMap>> map = new ReadOnlyObjectWrapper<>(Optional.empty());
    private final ReadOnlyObjectWrapper<List<FewerVariants>> fewer = new ReadOnlyObjectWrapper<>(List.of());
    private final ReadOnlyStringWrapper said = new ReadOnlyStringWrapper("");

    public SongModel(Desk desk) {
        this.desk = desk;
        desk.open().subscribe(_ -> read());
        desk.changes().subscribe(_ -> read());
        desk.sounds().subscribe(_ -> mapped());
    }

    private void read() {
        song.set(desk.open().get().map(o -> desk.book().performances().song(o.entry().id()))
                .orElse(PerformanceJson.Song.NONE));
        fewer.set(List.of());
        mapped();
    }

    private void mapped() {
        Optional<Ground> g = Ground.of(desk);
        if (g.isEmpty() || song.get().parts().isEmpty()) {
            map.set(Optional.empty());
            return;
        }
        try {
            map.set(Optional.of(SongMap.of(named(g.get()), g.get().tone(), variants(g.get()), song.get().way())));
            said.set("");
        } catch (InputFault e) {
            map.set(Optional.empty());
            said.set(e.getMessage() + ".");
        }
    }

    /** The tone's own parts are kept under no name, so that a renamed tone keeps them. */
    private List<SongMap.Part> named(Ground g) {
        return song.get().parts().stream().map(p -> p.variant().isEmpty()
                ? new SongMap.Part(p.section(), g.tone().name())
                : p).toList();
    }

    private List<Variant> variants(Ground g) {
        return desk.book().performances().variants(g.caseId());
    }

    /** Names that can stand in a section; the first, empty, is the tone itself. */
    public List<String> choices() {
        List<String> out = new ArrayList<>(List.of(""));
        Ground.of(desk).ifPresent(g -> variants(g).forEach(v -> out.add(v.name())));
        return out;
    }

    /** Reads the sections from the record; what was there before goes. */
    public void readSections() {
        Optional<Sound> record = desk.sounds().get().reference();
        if (record.isEmpty() || Ground.of(desk).isEmpty()) {
            said.set("A record and a tone are needed first.");
            return;
        }
        desk.forCase("Looking for the sections", _ -> SectionFinder.of(record.get())).show(found -> keep(
                new PerformanceJson.Song(found.stream().map(s -> new SongMap.Part(s, "")).toList(), song.get().way())));
    }

    /** Adds a section behind the last. */
    public void add(String name, String lengthTyped) {
        try {
            double length = VariantsModel.figure(lengthTyped).orElseThrow(() -> new IllegalArgumentException(
                    "no length is there"));
            double from = song.get().parts().isEmpty() ? 0 : song.get().parts().getLast().section().toS();
            List<SongMap.Part> next = new ArrayList<>(song.get().parts());
            next.add(new SongMap.Part(new Section(name.isBlank() ? "section " + (next.size() + 1) : name.strip(), from,
                    from + length), ""));
            keep(new PerformanceJson.Song(next, song.get().way()));
        } catch (IllegalArgumentException e) {
            said.set(e.getMessage() + ".");
        }
    }

    public void dropLast() {
        if (song.get().parts().isEmpty()) return;
        List<SongMap.Part> next = new ArrayList<>(song.get().parts());
        next.removeLast();
        keep(new PerformanceJson.Song(next, song.get().way()));
    }

    /** Plays a variant in a section; an empty name plays the tone. */
    public void play(int section, String variant) {
        List<SongMap.Part> next = new ArrayList<>(song.get().parts());
        next.set(section, new SongMap.Part(next.get(section).section(), variant));
        keep(new PerformanceJson.Song(next, song.get().way()));
    }

    public void change(SwitchWay way) {
        keep(new PerformanceJson.Song(song.get().parts(), way));
    }

    private void keep(PerformanceJson.Song next) {
        Ground.of(desk).ifPresent(g -> {
            desk.book().performances().keep(g.caseId(), next);
            desk.refresh();
        });
    }

    /** Works out which variant the song could do without. */
    public void findFewer() {
        Optional<Ground> g = Ground.of(desk);
        Optional<SongMap> m = map.get();
        if (g.isEmpty() || m.isEmpty()) return;
        List<Variant> variants = variants(g.get());
        SwitchWay way = song.get().way();
        desk.forTone("Comparing the variants", progress -> FewerVariants.of(m.get(), g.get().tone(), variants, way,
                g.get().di(), progress)).show(f -> {
                    // The song was laid out anew meanwhile.
                    if (!map.get().equals(m)) return;
                    fewer.set(f);
                    if (f.isEmpty()) said.set("No variant could go and save a move.");
                });
    }

    /** What it takes and what goes wrong, in words. */
    public List<String> words() {
        List<String> out = new ArrayList<>();
        map.get().ifPresent(m -> {
            out.add(switch (m.moves()) {
                case 0 -> "No foot move in the whole song.";
                case 1 -> "One foot move in the whole song.";
                default -> m.moves() + " foot moves in the whole song.";
            });
            m.faults().forEach(f -> out.add(f + "."));
        });
        for (FewerVariants f : fewer.get())
            out.add(Figures.of("Without %s, %s instead: %s fewer, at %.1f JND.", f.dropped(),
                    Ground.of(desk).filter(g -> g.tone().name().equals(f.instead())).isPresent()
                            ? "the tone"
                            : f.instead(),
                    f.movesSaved() == 1 ? "one move" : f.movesSaved() + " moves", f.priceJnd()));
        return out;
    }

    public ReadOnlyObjectProperty<PerformanceJson.Song> song() {
        return song.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<Optional<SongMap>> map() {
        return map.getReadOnlyProperty();
    }

    public ReadOnlyObjectProperty<List<FewerVariants>> fewer() {
        return fewer.getReadOnlyProperty();
    }

    public ReadOnlyStringProperty said() {
        return said.getReadOnlyProperty();
    }
}
