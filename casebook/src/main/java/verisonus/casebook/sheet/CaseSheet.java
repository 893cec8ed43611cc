package verisonus.casebook.sheet;

import java.util.List;
import java.util.Optional;
import verisonus.casebook.store.CaseEntry;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.Measurement;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.Region;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.travel.Journey;
import verisonus.core.travel.Travelled;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/** The tone sheet of a case in a casebook; plays the tone once to see how it travels. */
public final class CaseSheet {
    private CaseSheet() {}

    /** The case of this name. @throws InputFault naming the cases there are */
    public static CaseEntry find(Casebook book, String name) {
        return book.cases().stream().filter(c -> c.name().equalsIgnoreCase(name.strip())).findFirst()
                .orElseThrow(() -> new InputFault(book.file().toString(), "it has no case \"" + name + "\"",
                        "it has " + String.join(", ", book.cases().stream().map(CaseEntry::name).toList())));
    }

    public static ToneSheet of(Casebook book, CaseEntry entry, Progress progress) {
        Optional<DerivedTone> tone = book.tone(entry.id());
        List<Medium> media = book.media(entry.id());
        Optional<Medium> di = media.stream().filter(m -> m.role() == Medium.Role.DI).findFirst();
        List<Travelled> travelled = tone.isPresent() && di.isPresent()
                ? travelled(tone.get().tone(), book.sound(di.get().hash()), progress)
                : List.of();
        return new ToneSheet(entry.name(), entry.artist(), findings(book, media), tone, travelled, book.rig());
    }

    /** A tone on every playback system at the working level. */
    public static List<Travelled> travelled(Tone tone, Sound di, Progress progress) {
        Sound mine = Renderer.render(tone, di, Quality.SEARCH, progress);
        return new Journey(mine, Optional.empty(), Journey.WORKING_LEVEL_DB_SPL).to(PlaybackSystem.ALL);
    }

    private static List<EvidenceSentences> findings(Casebook book, List<Medium> media) {
        for (Medium m : media) {
            if (m.role() != Medium.Role.REFERENCE) continue;
            for (Region r : book.regions(m.id())) {
                Optional<Measurement> found = book.measurement(r.id());
                if (found.isPresent()) return found.get().findings();
            }
        }
        return List.of();
    }
}
