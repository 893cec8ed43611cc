package verisonus.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import verisonus.casebook.exchange.DerivationJson;
import verisonus.casebook.exchange.ImpulseFolder;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.casebook.sheet.ToneSheet;
import verisonus.casebook.sheet.write.MarkdownPage;
import verisonus.casebook.store.DerivedTone;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.GapAttributeConverter;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.RegionOptions;
import verisonus.cli.files.ToneInput;
import verisonus.core.advise.Sketch;
import verisonus.core.compare.GapAttribute;
import verisonus.core.evidence.study.AloneBars;
import verisonus.core.evidence.study.Excerpt;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.ControlTrade;
import verisonus.core.search.Derivation;
import verisonus.core.search.SearchOptions;
import verisonus.core.search.Tolerance;
import verisonus.core.search.ToneSearch;
import verisonus.core.search.Wishes;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.take.StandInTake;
import verisonus.core.travel.Journey;
import verisonus.core.travel.Travelled;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.work.InputFault;
import verisonus.core.work.OutputFault;
import verisonus.core.work.Progress;

@Command(name = "derive", mixinStandardHelpOptions = true, description = "Settings that make a dry guitar sound like a reference.")
final class DeriveCommand extends CommonOptions implements Callable<Integer> {
    private static final double LEAST_UNDER_S = 1.5;

    enum StartChoice {
        NEUTRAL,
        NEAREST
    }

    @Option(names = "--reference", required = true, paramLabel = "REF", description = "recording with the wanted sound")
    private @Nullable Path reference;

    @Option(names = "--di", paramLabel = "DI", description = "dry guitar: the same phrase, or other playing; without one a"
            + " stand-in plays and the tone is a rough sketch")
    private @Nullable Path di;

    @Option(names = "--take", paramLabel = "DI", description = "another take of the same phrase on the same guitar: what most of them show is believed; again for more")
    private List<Path> takes = new ArrayList<>();

    @Mixin
    private RegionOptions regions = new RegionOptions();

    @Option(names = "--out", required = true, paramLabel = "DIR", description = "folder for tone.json, render.wav, gap.json and sheet.md")
    private @Nullable Path out;

    @Option(names = "--rig", paramLabel = "RIG.json", description = "only this gear")
    private @Nullable Path rig;

    @Option(names = "--start", paramLabel = "WHERE", description = "neutral (default) or nearest")
    private StartChoice start = StartChoice.NEUTRAL;

    @Option(names = "--order", paramLabel = "SCHOOL", description = "cabinet-first or gain-first (default: all together)")
    private @Nullable String order;

    @Option(names = "--eq", paramLabel = "SCHOOL", description = "cut-first or either (default)")
    private String eq = "either";

    @Option(names = "--values", paramLabel = "SCHOOL", description = "moderate keeps controls off their ends, free (default) does not")
    private String values = "free";

    @Option(names = "--lows", paramLabel = "SCHOOL", description = "alone (default), or room for bass and kick")
    private String lows = "alone";

    @Option(names = "--track", paramLabel = "WHAT", description = "what the take has been through: dry (default), amp, or amp-and-cabinet; it gets only what is missing")
    private String track = "dry";

    @Option(names = "--also", paramLabel = "REF", description = "another recording of the same sound: what they have in common is wanted; again for more")
    private List<Path> also = new ArrayList<>();

    @Option(names = "--impulses", paramLabel = "FOLDER", description = "measured responses that may stand for cabinet and microphone")
    private @Nullable Path impulses;

    @Option(names = "--claim", paramLabel = "MODEL=honour|weigh|ignore", description = "gear that is said to have been used; again for more")
    private List<String> claims = new ArrayList<>();

    @Option(names = "--wanted-so", paramLabel = "ATTRIBUTE", converter = GapAttributeConverter.class, description = "a difference that is wanted and not chased; again for more")
    private List<GapAttribute> wantedSo = new ArrayList<>();

    @Option(names = "--seconds", paramLabel = "N", description = "about how long to search (default: 10)")
    private double seconds = 10;

    @Option(names = "--seed", paramLabel = "N", description = "seed of the random start (default: 1)")
    private long seed = 1;

    @Mixin
    private final JsonOption json = new JsonOption();

    @Mixin
    private final ForceOption force = new ForceOption();

    @Override
    public Integer call() {
        Path folder = Objects.requireNonNull(out);
        SearchOptions options = options();
        Sound studied = regions.reference(Objects.requireNonNull(reference));
        boolean standIn = di == null;
        if (standIn && !takes.isEmpty()) throw usage("--take is another take beside the one of --di; name that first");
        if (standIn) regions.withoutTake();
        Sound dry = di == null ? StandInTake.play() : regions.take(di);
        Optional<Excerpt> alone = regions.isPart()
                ? Optional.empty()
                : AloneBars.of(studied).worthStudying().filter(e -> isUnder(e, dry));
        Sound ref = alone.map(e -> e.cut(studied)).orElse(studied);
        prepare(folder);
        Derivation found = ToneInput.shared(workers -> new ToneSearch(ref, dry,
                standIn ? options.wishing(options.wishes().playedByStandIn()) : options, workers, progress())
                .telling(soFar(options.rig()))
                .laidAt(regions.takeAtS(regions.fromS() + alone.map(Excerpt::fromS).orElse(0.0)))
                .run());
        Derivation d = standIn ? found.ofStandIn() : found;
        Sketch told = regions.sketch(Objects.requireNonNull(reference), alone, d);
        Sketch sketch = standIn ? told.ofStandIn() : told;
        Tone tone = d.tone().named(nameOf(reference));
        force.to(folder.resolve("tone.json")).write(Json.text(ToneJson.write(tone)));
        force.to(folder.resolve("render.wav"))
                .write(SoundWriter.encode(played(d, dry, alone.isPresent() || regions.isPart()),
                        SoundWriter.Format.WAV_24));
        force.to(folder.resolve("gap.json")).write(Json.text(DerivationJson.gap(d.gap(), d.verdict())));
        force.to(folder.resolve("sheet.md"))
                .write(MarkdownPage.of(sheet(tone, d, sketch, options.rig()).page()));
        if (json.asked()) {
            json.print(DerivationJson.derivation(d, sketch, alone));
        } else {
            alone.ifPresent(e -> System.out.printf(Locale.ROOT,
                    "others play with it: derived from %.1f to %.1f s, where the guitar stands alone%n", e.fromS(),
                    e.toS()));
            print(d, sketch, options.rig());
        }
        return 0;
    }

    /** Whether a take that was laid by its player plays long enough in a part for that part to be studied with it. */
    private boolean isUnder(Excerpt part, Sound take) {
        OptionalDouble at = regions.takeAtS(part.fromS());
        if (at.isEmpty()) return true;
        double length = part.toS() - part.fromS();
        return Math.min(length, at.getAsDouble() + take.durationS()) - Math.max(0, at.getAsDouble()) >= LEAST_UNDER_S;
    }

    /** The take through the tone: of a part of a reference all of the take is played, for the tone is meant for it. */
    private static Sound played(Derivation d, Sound dry, boolean ofPart) {
        return ofPart
                ? Renderer.render(d.tone(), dry, Optional.of(dry), Quality.FINAL, Progress.NONE)
                : d.render();
    }

    private static ToneSheet sheet(Tone tone, Derivation d, Sketch sketch, Rig rig) {
        List<Travelled> travelled = new Journey(d.render(), Optional.empty(), Journey.WORKING_LEVEL_DB_SPL)
                .to(PlaybackSystem.ALL);
        return new ToneSheet(tone.name(), "", EvidenceSentences.of(d.reference()),
                Optional.of(DerivedTone.of(d, Optional.empty(), Locks.NONE, 0).sketched(sketch)), travelled, rig);
    }

    private static String nameOf(@Nullable Path file) {
        String name = file == null ? "tone" : file.getFileName().toString();
        int dot = name.lastIndexOf('.');
        return dot > 0 ? name.substring(0, dot) : name;
    }

    private SearchOptions options() {
        Rig gear = ToneInput.rig(rig);
        SearchOptions.School school = new SearchOptions.School(
                start == StartChoice.NEAREST ? SearchOptions.Start.NEAREST : SearchOptions.Start.NEUTRAL,
                order == null
                        ? SearchOptions.Order.TOGETHER
                        : chosen("--order", order, Map.of("cabinet-first", SearchOptions.Order.CABINET_FIRST,
                                "gain-first", SearchOptions.Order.GAIN_FIRST)),
                chosen("--eq", eq, Map.of("either", SearchOptions.Equalizing.EITHER, "cut-first",
                        SearchOptions.Equalizing.CUT_FIRST)),
                chosen("--values", values, Map.of("free", SearchOptions.Values.FREE, "moderate",
                        SearchOptions.Values.MODERATE)),
                chosen("--lows", lows, Map.of("alone", SearchOptions.Lows.GUITAR_ALONE, "room",
                        SearchOptions.Lows.ROOM_FOR_BASS)));
        if (!(seconds > 0 && seconds <= 3600))
            throw usage("--seconds " + seconds + " is out of range; use a number between 0 and 3600");
        // A budget of renders, not of seconds, so that the same seed gives the same tone on any machine.
        SearchOptions options = SearchOptions.defaults().withRig(gear).withSchool(school)
                .withBudget((int) Math.ceil(90 * seconds), seed).wishing(wishes());
        options.missing().ifPresent(kind -> {
            throw new InputFault(rig == null ? "rig" : rig.toString(), "it holds no " + kind.word(),
                    "name one in the gear list");
        });
        return options;
    }

    private Wishes wishes() {
        return Wishes.NONE.wantingSo(Set.copyOf(wantedSo)).claiming(claims.stream().map(this::claim).toList())
                .through(chosen("--track", track, Map.of("dry", SearchOptions.Track.DRY, "amp",
                        SearchOptions.Track.THROUGH_AMP, "amp-and-cabinet",
                        SearchOptions.Track.THROUGH_AMP_AND_CABINET)))
                .alsoNear(also.stream().map(AudioInput::read).toList())
                .alsoPlayed(takes.stream().map(AudioInput::read).toList())
                .offering(impulses == null
                        ? List.of()
                        : ImpulseFolder.read(impulses, Progress.NONE).entries().stream()
                                .map(e -> ImpulseFolder.impulse(e.file())).toList());
    }

    private Wishes.ModelClaim claim(String said) {
        int at = said.lastIndexOf('=');
        Model model = ToneInput.rig(rig).find(at < 0 ? said : said.substring(0, at))
                .orElseThrow(() -> usage("--claim " + said + " names no model; see controls"));
        return new Wishes.ModelClaim(model, at < 0
                ? Wishes.Use.HONOURED
                : chosen("--claim", said.substring(at + 1), Map.of("honour", Wishes.Use.HONOURED, "weigh",
                        Wishes.Use.WEIGHED, "ignore", Wishes.Use.IGNORED)));
    }

    private <T> T chosen(String option, String given, Map<String, T> choices) {
        T found = choices.get(given);
        if (found == null) {
            throw usage(option + " " + given + " is not known; use "
                    + choices.keySet().stream().sorted().collect(Collectors.joining(" or ")));
        }
        return found;
    }

    private picocli.CommandLine.ParameterException usage(String fault) {
        return new picocli.CommandLine.ParameterException(new picocli.CommandLine(this), fault);
    }

    private void prepare(Path folder) {
        try {
            Files.createDirectories(folder);
        } catch (IOException e) {
            throw new OutputFault(folder.toString(), "the folder cannot be made", "choose another folder");
        }
        for (String name : new String[]{"tone.json", "render.wav", "gap.json", "sheet.md"})
            force.to(folder.resolve(name)).check();
    }

    private static boolean isWatched() { return System.console() != null && System.console().isTerminal(); }

    /** The best so far, where somebody waits for it: a line that names what to set up meanwhile. */
    private static ToneSearch.Interim soFar(Rig rig) {
        if (!isWatched()) return ToneSearch.Interim.NONE;
        long started = System.nanoTime();
        return (tone, _) -> System.err.printf(Locale.ROOT, "\rso far, %.1f s: %-60s%n",
                (System.nanoTime() - started) / 1e9, soFar(tone, rig));
    }

    static String soFar(Tone tone, Rig rig) {
        return tone.blocks().stream().filter(Block::on)
                .map(b -> b.model().name()
                        + b.model().find(ControlNames.GAIN).filter(_ -> b.model().kind() == GearKind.AMP)
                                .map(c -> ", gain " + rig.display(b.model(), c, b.get(ControlNames.GAIN))).orElse(""))
                .collect(Collectors.joining(" · "));
    }

    private static Progress progress() {
        if (!isWatched()) return Progress.NONE;
        return (done, doing) -> System.err.printf("\r%3.0f %%  %-60s", 100 * done, doing);
    }

    private static void print(Derivation d, Sketch sketch, Rig rig) {
        System.out.printf(Locale.ROOT, "%s, searched for %.1f s (%s)%n", d.pairing().said(), d.seconds(), d.stopped());
        System.out.println((sketch.is() ? "a sketch; " : "") + d.verdict().words());
        for (String help : sketch.helps()) System.out.println("would help: " + help);
        d.tone().blocks().stream().filter(b -> b.on()).forEach(b -> {
            System.out.println(b.id() + ": " + b.model().name());
            for (Tolerance t : d.tolerances()) {
                if (!t.block().equals(b.id())) continue;
                var c = b.model().control(t.control());
                if (!t.isHeard(c)) {
                    System.out.printf("    %-18s %10s   not heard here, left as usual%n", t.control(),
                            rig.display(b.model(), c, t.value()));
                    continue;
                }
                System.out.printf("    %-18s %10s   can move %s to %s (%s)%n", t.control(),
                        rig.display(b.model(), c, t.value()),
                        rig.display(b.model(), c, t.low()), rig.display(b.model(), c, t.high()), t.why());
            }
        });
        CompareCommand.print(d.gap());
        for (ControlTrade t : d.ties()) System.out.println("can be traded: " + t.words());
        d.start().ifPresent(s -> System.out.println("nearest known tone: " + s.words() + "; changed from it: "
                + String.join(", ", s.changesIn(d.tone(), rig))));
        System.out.println(d.enough().words());
    }
}
