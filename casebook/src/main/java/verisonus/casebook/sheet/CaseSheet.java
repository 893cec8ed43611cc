package verisonus.casebook.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.casebook.sheet.page.Drawing;
import verisonus.casebook.sheet.page.Page;
import verisonus.casebook.store.CaseEntry;
import verisonus.casebook.store.Casebook;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.store.LogEntry;
import verisonus.casebook.store.Measurement;
import verisonus.casebook.store.Medium;
import verisonus.casebook.store.PerformShelf;
import verisonus.casebook.store.Region;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.core.feel.TouchCurve;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.travel.Journey;
import verisonus.core.travel.Travelled;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/** The tone sheet of a case in a casebook; plays the tone once to draw it and to see how it travels. */
public final class CaseSheet {
    private static final int MOST_TRIED = 20;

    private CaseSheet() {}

    /** The case of this name. @throws InputFault naming the cases there are */
    public static CaseEntry find(Casebook book, String name) {
        return book.cases().stream().filter(c -> c.name().equalsIgnoreCase(name.strip())).findFirst()
                .orElseThrow(() -> new InputFault(book.file().toString(), "it has no case \"" + name + "\"",
                        "it has " + String.join(", ", book.cases().stream().map(CaseEntry::name).toList())));
    }

    public static ToneSheet of(Casebook book, CaseEntry entry, Progress progress) {
        Optional<DerivedTone> tone = book.tones().tone(entry.id());
        List<Medium> media = book.recordings().media(entry.id());
        Optional<Medium> reference = first(media, Medium.Role.REFERENCE);
        Optional<Medium> di = first(media, Medium.Role.DI);
        Optional<Region> region = reference.flatMap(r -> measured(book, r));
        List<Drawing> drawings = new ArrayList<>();
        List<Travelled> travelled = List.of();
        if (tone.isPresent() && di.isPresent()) {
            List<Sound> takes = media.stream().filter(m -> m.role() == Medium.Role.DI)
                    .map(m -> book.recordings().sound(m.hash())).toList();
            progress.step(0.2, "playing the tone");
            Sound mine = Renderer.render(tone.get().tone(), takes.get(0), takes.stream().skip(1).findFirst(),
                    Quality.SEARCH, Progress.NONE);
            Optional<Sound> wanted = reference.map(r -> part(book.recordings().sound(r.hash()), region));
            wanted.ifPresent(w -> drawings.add(SheetDrawings.spectra(w, mine)));
            progress.step(0.6, "playing it soft and hard");
            drawings.add(SheetDrawings.touch(TouchCurve.of(tone.get().tone(), takes.get(0).peak())));
            progress.step(0.8, "taking it to other systems");
            travelled = new Journey(mine, wanted, Journey.WORKING_LEVEL_DB_SPL).withSettings(tone.get().tone())
                    .to(book.travels().systems());
        }
        SheetSource source = new SheetSource(made(reference, region, di), drawings, book.travels().trims(entry.id()),
                book.travels().notes(entry.id()),
                book.logbook(entry.id()).stream().limit(MOST_TRIED).map(LogEntry::text).toList(),
                played(book, entry.id()));
        return new ToneSheet(entry.name(), entry.artist(), findings(book, media), tone, travelled, book.rig(), source);
    }

    private static PlayedTonight played(Casebook book, long caseId) {
        PerformShelf shelf = book.performances();
        return new PlayedTonight(shelf.variants(caseId), shelf.tempo(caseId), shelf.pedals(caseId),
                shelf.song(caseId));
    }

    /** Several cases in one document, each on sheets of its own. */
    public static Page whole(Casebook book, String title, List<CaseEntry> cases, SheetContents contents,
            Progress progress) {
        Page out = new Page(title);
        out.paragraph(String.join(" · ", cases.stream().map(CaseEntry::name).toList()));
        for (int i = 0; i < cases.size(); i++) {
            progress.step((double) i / cases.size(), cases.get(i).name());
            out.append(of(book, cases.get(i), Progress.NONE).page(contents));
        }
        return out;
    }

    private static Optional<Medium> first(List<Medium> media, Medium.Role role) {
        return media.stream().filter(m -> m.role() == role).findFirst();
    }

    /** The region that was measured, else the first. */
    private static Optional<Region> measured(Casebook book, Medium reference) {
        List<Region> regions = book.recordings().regions(reference.id());
        return regions.stream().filter(r -> book.recordings().measurement(r.id()).isPresent()).findFirst()
                .or(() -> regions.stream().findFirst());
    }

    private static Sound part(Sound whole, Optional<Region> region) {
        return region.map(r -> whole.slice(r.fromS(), Math.min(r.toS(), whole.durationS()))).orElse(whole);
    }

    private static List<String> made(Optional<Medium> reference, Optional<Region> region, Optional<Medium> di) {
        List<String> out = new ArrayList<>();
        reference.ifPresent(r -> out.add("Record: " + r.title() + region.map(
                g -> Figures.of(", %s from %.1f to %.1f s", g.role().words(), g.fromS(), g.toS()))
                .orElse("")));
        di.ifPresent(d -> out.add("Take: " + d.title()));
        return out;
    }

    private static List<EvidenceSentences> findings(Casebook book, List<Medium> media) {
        for (Medium m : media) {
            if (m.role() != Medium.Role.REFERENCE) continue;
            for (Region r : book.recordings().regions(m.id())) {
                Optional<Measurement> found = book.recordings().measurement(r.id());
                if (found.isPresent()) return found.get().findings();
            }
        }
        return List.of();
    }
}
