package verisonus.casebook.sheet;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import verisonus.casebook.exchange.PerformanceJson;
import verisonus.casebook.sheet.page.Page;
import verisonus.core.perform.foot.PedalUse;
import verisonus.core.perform.song.SongMap;
import verisonus.core.perform.time.TempoBinding;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/**
 * How the tone is played: its variants, what follows the beat, what is under a foot, the song.
 *
 * @param variants in the order in which they were made
 * @param tempo the beat and what follows it
 * @param pedals what moves what
 * @param song sections and how the device changes between them
 */
public record PlayedTonight(List<Variant> variants, Optional<PerformanceJson.Tempo> tempo, List<PedalUse> pedals,
        PerformanceJson.Song song) {
    public static final PlayedTonight NOTHING = new PlayedTonight(List.of(), Optional.empty(), List.of(),
            PerformanceJson.Song.NONE);

    public PlayedTonight {
        variants = List.copyOf(variants);
        pedals = List.copyOf(pedals);
    }

    /** Everything about the playing. */
    void write(Page page, Tone tone, Rig rig) {
        if (equals(NOTHING)) return;
        page.heading("How it is played");
        variants(page, tone, rig);
        song(page, tone);
        List<List<String>> rows = new ArrayList<>();
        tempo.ifPresent(t -> {
            rows.add(List.of("tempo", Figures.of("%.1f BPM", t.bpm())));
            for (TempoBinding b : t.bindings())
                rows.add(List.of(b.place().block() + " " + b.place().control(),
                        b.length().words() + value(tone, rig, b.place(), c -> b.value(c, t.bpm()))));
        });
        for (PedalUse p : pedals)
            rows.add(List.of(p.pedal(), p.place().block() + " " + p.place().control() + ", heel"
                    + value(tone, rig, p.place(), _ -> p.low()).replace(", ", " ") + ", toe"
                    + value(tone, rig, p.place(), _ -> p.high()).replace(", ", " ")));
        if (!rows.isEmpty()) page.table(List.of("under the beat and the foot", ""), rows);
        for (String fault : PedalUse.faults(pedals, tone, variants)) page.paragraph(sentence(fault));
    }

    /** Variants as what differs from the settings above. */
    void variants(Page page, Tone tone, Rig rig) {
        if (variants.isEmpty()) return;
        page.table(List.of("variant", "other than above"), variants.stream()
                .map(v -> List.of(v.name(), differences(v, tone, rig))).toList());
    }

    /** The song as it is walked through. */
    void song(Page page, Tone tone) {
        if (song.parts().isEmpty()) return;
        List<SongMap.Part> named = song.parts().stream().map(p -> p.variant().isEmpty()
                ? new SongMap.Part(p.section(), tone.name())
                : p).toList();
        Optional<SongMap> map = map(named, tone);
        List<List<String>> rows = new ArrayList<>();
        for (int i = 0; i < song.parts().size(); i++) {
            SongMap.Part p = song.parts().get(i);
            int before = i - 1;
            String feet = i == 0 ? "" : map.map(m -> String.join(", ", m.changes().get(before).steps())).orElse("");
            rows.add(List.of(Figures.of("%d:%02d", (int) p.section().fromS() / 60, (int) p.section()
                    .fromS() % 60), p.section().name(), p.variant().isEmpty() ? "as above" : p.variant(), feet));
        }
        page.table(List.of("from", "section", "play", "feet"), rows);
        map.ifPresent(m -> m.faults().forEach(f -> page.paragraph(sentence(f))));
    }

    private static String sentence(String words) {
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1) + ".";
    }

    private Optional<SongMap> map(List<SongMap.Part> parts, Tone tone) {
        try {
            return Optional.of(SongMap.of(parts, tone, variants, song.way()));
        } catch (InputFault e) {
            // A variant that has gone: the sections are still worth having on paper.
            return Optional.empty();
        }
    }

    private static String differences(Variant v, Tone tone, Rig rig) {
        List<String> out = new ArrayList<>();
        for (Map.Entry<String, Boolean> s : v.switches().entrySet())
            if (tone.find(s.getKey()).isPresent()) out.add(s.getKey() + (s.getValue() ? " on" : " off"));
        v.settings().forEach((place, to) -> {
            String shown = value(tone, rig, place, _ -> to);
            if (!shown.isEmpty()) out.add(place.block() + " " + place.control() + shown.replace(", ", " "));
        });
        return out.isEmpty() ? "nothing" : String.join(", ", out);
    }

    private static String value(Tone tone, Rig rig, ControlPlace place,
            java.util.function.ToDoubleFunction<Control> value) {
        Optional<Block> b = tone.find(place.block());
        return b.flatMap(x -> x.model().find(place.control())).map(c -> ", " + rig.display(b.orElseThrow().model(), c,
                c.clamp(value.applyAsDouble(c)))).orElse("");
    }
}
