package verisonus.cli.perform;

import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.SongMapCsv;
import verisonus.casebook.exchange.VariantJson;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.OutputFile;
import verisonus.core.perform.song.FewerVariants;
import verisonus.core.perform.song.SectionFinder;
import verisonus.core.perform.song.SongMap;
import verisonus.core.perform.song.SwitchWay;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/** Which variant stands where in a song. */
@Command(name = "map", mixinStandardHelpOptions = true, description = {
        "Which variant stands where in a song: foot moves, tails that are cut, gaps, and what could be done without.",
        "--sections reads the sections from a recording; write the variants beside them and give the file as SONG.csv."})
public final class MapCommand extends CommonOptions implements Callable<Integer> {
    /** How the player's device changes. */
    enum Way {
        FLOOR_UNIT,
        BOXES
    }

    @Option(names = "--song", paramLabel = "SONG.csv", description = "section,from_s,to_s,variant")
    private @Nullable Path song;

    @Option(names = "--variants", paramLabel = "FILE.json", description = "the tone and its variants, as variants --out writes them")
    private @Nullable Path variants;

    @Option(names = "--way", paramLabel = "floor_unit|boxes", description = "one move changes all, or every box is stepped on (default: floor_unit)")
    private Way way = Way.FLOOR_UNIT;

    @Option(names = "--gap-ms", paramLabel = "N", description = "how long the device is silent while it changes (default: 20, boxes 0)")
    private @Nullable Double gapMs;

    @Option(names = "--tails", paramLabel = "on|cut", description = "whether repeats and space ring on (default: on, boxes cut)")
    private @Nullable String tails;

    @Option(names = "--di", paramLabel = "DI", description = "dry phrase; says what fewer variants would cost")
    private @Nullable Path di;

    @Option(names = "--sections", paramLabel = "AUDIO", description = "read the sections from this recording")
    private @Nullable Path sections;

    @Option(names = "--out", paramLabel = "SONG.csv", description = "write the sections that were read")
    private @Nullable Path out;

    @Mixin
    private final ForceOption force = new ForceOption();

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        if (sections != null) return read(sections);
        if (song == null || variants == null)
            throw new InputFault("map", "there is nothing to map", "give --song and --variants, or --sections AUDIO");
        VariantJson.Set set = VariantJson.readSet(variants.toString(), Json.read(variants));
        SwitchWay switching = switching();
        SongMap map = SongMap.of(SongMapCsv.read(song), set.tone(), set.variants(), switching);
        List<FewerVariants> fewer = di == null
                ? List.of()
                : FewerVariants.of(map, set.tone(), set.variants(), switching,
                        AudioInput.studied(di, 0, null).sound(), Progress.NONE);
        if (json.asked()) {
            json.print(document(map, fewer));
        } else {
            print(map, fewer);
        }
        return 0;
    }

    private SwitchWay switching() {
        SwitchWay usual = way == Way.FLOOR_UNIT ? SwitchWay.FLOOR_UNIT : SwitchWay.SEPARATE_BOXES;
        String said = tails == null ? usual.tailsGoOn() ? "on" : "cut" : tails.toLowerCase(Locale.ROOT);
        if (!said.equals("on") && !said.equals("cut"))
            throw new InputFault("--tails " + tails, "it is neither on nor cut", "say whether they ring on");
        try {
            return new SwitchWay(usual.oneMove(), gapMs == null ? usual.gapMs() : gapMs, said.equals("on"));
        } catch (IllegalArgumentException e) {
            throw new InputFault("--gap-ms " + gapMs, String.valueOf(e.getMessage()), "use 0 to 5000", e);
        }
    }

    private int read(Path audio) {
        Optional<OutputFile> target = Optional.ofNullable(out).map(p -> force.to(p));
        target.ifPresent(OutputFile::check);
        List<SongMap.Part> found = SectionFinder.of(AudioInput.read(audio)).stream()
                .map(s -> new SongMap.Part(s, "")).toList();
        target.ifPresent(f -> f.write(SongMapCsv.write(found)));
        if (json.asked()) {
            ObjectNode doc = Json.object("verisonus.map/1");
            parts(doc, found);
            json.print(doc);
        } else {
            System.out.print(SongMapCsv.write(found));
        }
        return 0;
    }

    private static void parts(ObjectNode doc, List<SongMap.Part> parts) {
        ArrayNode list = doc.putArray("sections");
        for (SongMap.Part p : parts) {
            ObjectNode one = list.addObject().put("section", p.section().name());
            Json.put(one, "from_s", p.section().fromS(), 2);
            Json.put(one, "to_s", p.section().toS(), 2);
            one.put("variant", p.variant().isEmpty() ? null : p.variant());
        }
    }

    private static ObjectNode document(SongMap map, List<FewerVariants> fewer) {
        ObjectNode doc = Json.object("verisonus.map/1").put("moves", map.moves());
        parts(doc, map.parts());
        ArrayNode changes = doc.putArray("changes");
        for (SongMap.Change c : map.changes()) {
            ObjectNode one = changes.addObject().put("moves", c.moves());
            ArrayNode steps = one.putArray("steps");
            c.steps().forEach(steps::add);
            Json.put(one, "tail_cut_s", c.tailCutS(), 2);
            Json.put(one, "gap_ms", c.gapMs(), 1);
            one.put("stops_loop", c.stopsLoop());
        }
        ArrayNode faults = doc.putArray("faults");
        map.faults().forEach(faults::add);
        ArrayNode less = doc.putArray("fewer");
        for (FewerVariants f : fewer) {
            ObjectNode one = less.addObject().put("without", f.dropped()).put("instead", f.instead());
            Json.put(one, "price_jnd", f.priceJnd(), 2);
            one.put("moves_saved", f.movesSaved());
        }
        return doc;
    }

    private static void print(SongMap map, List<FewerVariants> fewer) {
        for (int i = 0; i < map.parts().size(); i++) {
            SongMap.Part p = map.parts().get(i);
            if (i > 0 && map.changes().get(i - 1).moves() > 0)
                System.out.println("    " + String.join(", ", map.changes().get(i - 1).steps()));
            System.out.printf(Locale.ROOT, "%7.1f – %7.1f s  %-16s %s%n", p.section().fromS(), p.section().toS(),
                    p.section().name(), p.variant());
        }
        System.out.println(map.moves() + " foot moves");
        map.faults().forEach(System.out::println);
        for (FewerVariants f : fewer)
            System.out.printf(Locale.ROOT, "without %s, %s instead: %d moves fewer, %.1f JND%n", f.dropped(),
                    f.instead(),
                    f.movesSaved(), f.priceJnd());
        if (Objects.requireNonNull(map.parts()).size() == 1) System.out.println("one section: nothing changes");
    }
}
