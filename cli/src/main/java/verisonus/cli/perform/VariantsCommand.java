package verisonus.cli.perform;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.VariantJson;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.ToneInput;
import verisonus.core.perform.FewTurns;
import verisonus.core.perform.GuitarTrim;
import verisonus.core.perform.SaidVariant;
import verisonus.core.perform.SolvedVariant;
import verisonus.core.perform.SustainSolver;
import verisonus.core.perform.UsualPart;
import verisonus.core.perform.VariantGoal;
import verisonus.core.perform.VariantMatrix;
import verisonus.core.perform.VariantSolver;
import verisonus.core.perform.check.LoudnessCeiling;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.sound.Sound;
import verisonus.core.travel.NamedBand;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/** Variants of a tone: shown side by side, solved by a goal, as a ladder of dirt, or for another guitar. */
@Command(name = "variants", mixinStandardHelpOptions = true, description = {
        "Variants of a tone: the same chain for another part, of which only the differences are kept.",
        "Shows what is there side by side; --make solves another by its goal, --usual three, --ladder steps of dirt towards one."})
public final class VariantsCommand extends CommonOptions implements Callable<Integer> {
    @Option(names = "--tone", required = true, paramLabel = "TONE", description = "the tone, or a file with its variants")
    private @Nullable Path tone;

    @Option(names = "--di", required = true, paramLabel = "DI", description = "dry phrase of your own")
    private @Nullable Path di;

    @Option(names = "--make", paramLabel = "NAME", description = "solve a variant of this name")
    private @Nullable String make;

    @Option(names = "--say", paramLabel = "WORDS", description = "make one as it is said: \"solo: a bit louder, dirtier, more echo\"")
    private @Nullable String say;

    @Option(names = "--usual", description = "solve rhythm, lead and clean at once; one that is there already stays as it is")
    private boolean usual;

    @Option(names = "--from", paramLabel = "NAME", description = "the variant it starts from (default: the tone)")
    private @Nullable String from;

    @Option(names = "--like", paramLabel = "REF", description = "with --make: start from the few turns that bring the tone nearest to this recording of the phrase")
    private @Nullable Path like;

    @Option(names = "--ring-like", paramLabel = "REC", description = "with --make: notes die away as those of this recording, of whatever instrument")
    private @Nullable Path ringLike;

    @Option(names = "--louder", paramLabel = "LU", description = "how much louder than the tone (default: as loud)")
    private @Nullable Double louder;

    @Option(names = "--dirtier", paramLabel = "D", description = "how much further the playing is held back, -1 to 1")
    private @Nullable Double dirtier;

    @Option(names = "--longer-decay", paramLabel = "S", description = "how much longer the space decays, seconds")
    private @Nullable Double longerDecay;

    @Option(names = "--repeats", paramLabel = "DB", description = "how much louder the echo's repeats are, dB")
    private @Nullable Double repeats;

    @Option(names = "--loudness-at", paramLabel = "BLOCK/CONTROL", converter = PlaceConverter.class, description = "where loudness is turned (default: a volume, equalizer or microphone behind all that clips)")
    private @Nullable ControlPlace loudnessAt;

    @Option(names = "--dirt-at", paramLabel = "BLOCK/CONTROL", converter = PlaceConverter.class, description = "where dirt is turned (default: the amp's gain)")
    private @Nullable ControlPlace dirtAt;

    @Option(names = "--ladder", paramLabel = "NAME", description = "steps of dirt from the tone to this variant, all as loud")
    private @Nullable String ladder;

    @Option(names = "--steps", paramLabel = "N", description = "of the ladder, 3 to 12 (default: 5)")
    private int steps = 5;

    @Option(names = "--guitar", paramLabel = "NAME", description = "solve what to turn for another guitar; needs --other-take")
    private @Nullable String guitar;

    @Option(names = "--other-take", paramLabel = "DI", description = "the other guitar, best with the same phrase as --di")
    private @Nullable Path otherTake;

    @Option(names = "--measured", paramLabel = "DB", description = "what a meter read where it counts while the tone was played, dB(A); with --allowed")
    private @Nullable Double measured;

    @Option(names = "--allowed", paramLabel = "DB", description = "what the room allows there, dB(A): tells which variant exceeds it")
    private @Nullable Double allowed;

    @Option(names = "--against", paramLabel = "REF", description = "how far the tone and each variant lie from this recording of the phrase")
    private @Nullable Path against;

    @Option(names = "--out", paramLabel = "FILE.json", description = "write tone and variants")
    private @Nullable Path out;

    @Mixin
    private final ForceOption force = new ForceOption();

    @Mixin
    private final JsonOption json = new JsonOption();

    private Optional<FewTurns> near = Optional.empty();
    private @Nullable VariantGoal said;
    private Optional<SustainSolver.Solved> rings = Optional.empty();

    @Override
    public Integer call() {
        if (ringLike != null && (make == null || like != null))
            throw new InputFault("--ring-like", "it needs --make and no --like", "make one variant after the other");
        if (make != null && make.isBlank())
            throw new InputFault("--make", "the name is empty", "give the variant a name");
        if (guitar != null && guitar.isBlank())
            throw new InputFault("--guitar", "the name is empty", "name the other guitar");
        boolean goal = louder != null || dirtier != null || longerDecay != null || repeats != null;
        if (goal && make == null)
            throw new InputFault(louder != null
                    ? "--louder"
                    : dirtier != null
                            ? "--dirtier"
                            : longerDecay != null ? "--longer-decay" : "--repeats",
                    "no variant is made that could be so", "add --make NAME");
        if (say != null) {
            if (make != null || goal || like != null || ringLike != null)
                throw new InputFault("--say", "it names a variant and asks for it already",
                        "make one variant after the other");
            SaidVariant v = SaidVariant.of(say);
            make = v.name();
            said = v.goal();
        }
        if ((measured == null) != (allowed == null))
            throw new InputFault("--measured and --allowed", "one of them is missing", "give both");
        Optional<LoudnessCeiling> ceiling = measured == null || allowed == null
                ? Optional.empty()
                : Optional.of(new LoudnessCeiling(measured, allowed));
        if (like != null && make == null)
            throw new InputFault("--like", "no variant is made that could come near to it", "add --make NAME");
        Path file = Objects.requireNonNull(tone);
        VariantJson.Set set = read(file);
        if (guitar != null && guitar.equals(set.tone().name()))
            throw new InputFault("--guitar " + guitar, "the tone itself is called so",
                    "give the guitar's variant a name of its own");
        Sound phrase = AudioInput.studied(Objects.requireNonNull(di), 0, null).sound();
        Optional<OutputFile> target = Optional.ofNullable(out).map(p -> force.to(p));
        target.ifPresent(OutputFile::check);
        List<SolvedVariant> solved = solved(file, set, phrase);
        Tone base = solved.isEmpty() ? set.tone() : solved.getFirst().base();
        List<Variant> all = new ArrayList<>(set.variants());
        for (SolvedVariant s : solved) {
            all.removeIf(v -> v.name().equals(s.variant().name()));
            all.add(s.variant());
        }
        Optional<GuitarTrim> trim = guitar == null ? Optional.empty() : Optional.of(trim(base, phrase));
        if (trim.isPresent()) {
            base = trim.get().base();
            all.removeIf(v -> v.name().equals(guitar));
            all.add(trim.get().variant());
        }
        VariantMatrix matrix = VariantMatrix.of(base, all, phrase, Progress.NONE);
        VariantJson.Set after = new VariantJson.Set(base, all);
        target.ifPresent(f -> f.write(Json.text(VariantJson.write(after))));
        Map<String, Double> louder = matrix.louderLu();
        Optional<Apart> apart = apart(base, all, phrase);
        if (json.asked()) {
            ObjectNode doc = document(after, matrix, solved, trim);
            also(doc, ceiling, louder);
            apart.ifPresent(x -> x.write(doc));
            json.print(doc);
        } else {
            rings.ifPresent(r -> System.out.println(make + ": " + r.words()));
            near.ifPresent(
                    n -> System.out.printf(Locale.ROOT, "%s: %.1f JND from %s, %.1f with what was turned%n", make,
                            n.beforeJnd(), like, n.afterJnd()));
            print(after, matrix, solved, trim);
            ceiling.ifPresent(c -> c.words(louder).forEach(System.out::println));
            apart.ifPresent(
                    x -> x.far.forEach((name, v) -> System.out.printf(Locale.ROOT, "%s: %.1f %s from %s%n", name,
                            v, x.of.unit(), against)));
        }
        return 0;
    }

    /** How far each lies from the recording that was named; empty where none was. */
    private Optional<Apart> apart(Tone base, List<Variant> all, Sound phrase) {
        if (against == null) return Optional.empty();
        List<Tone> tones = Stream.concat(Stream.of(base), all.stream().map(v -> v.on(base).named(v.name()))).toList();
        FewTurns.Apart apart = FewTurns.apart(tones, phrase, AudioInput.studied(against, 0, null).sound(),
                Progress.NONE);
        Map<String, Double> far = new LinkedHashMap<>();
        for (int i = 0; i < tones.size(); i++) far.put(tones.get(i).name(), apart.far().get(i));
        return Optional.of(new Apart(apart, far));
    }

    private record Apart(FewTurns.Apart of, Map<String, Double> far) {
        void write(ObjectNode doc) {
            ObjectNode out = doc.putObject("against").put("same_take", of.sameTake());
            ObjectNode by = out.putObject(of.sameTake() ? "jnd" : "colour_db");
            far.forEach((name, v) -> Json.put(by, name, v, 2));
        }
    }

    /** What was asked for beside the variants. */
    private void also(ObjectNode doc, Optional<LoudnessCeiling> ceiling, Map<String, Double> louder) {
        near.ifPresent(n -> {
            ObjectNode one = doc.putObject("like").put("same_take", n.sameTake());
            Json.put(one, "before_jnd", n.beforeJnd(), 2);
            Json.put(one, "after_jnd", n.afterJnd(), 2);
        });
        rings.ifPresent(r -> {
            ObjectNode one = doc.putObject("rings").put("reached", r.isReached());
            Json.put(one, "wanted_db_per_s", r.wantedDbPerS(), 1);
            Json.put(one, "before_db_per_s", r.beforeDbPerS(), 1);
            Json.put(one, "after_db_per_s", r.afterDbPerS(), 1);
            Json.put(one, "rests_db", r.restsDb(), 1);
        });
        ceiling.ifPresent(c -> {
            ArrayNode reach = doc.putArray("reaches");
            for (LoudnessCeiling.Reaches r : c.of(louder)) {
                ObjectNode one = reach.addObject().put("variant", r.name());
                Json.put(one, "db", r.db(), 1);
                Json.put(one, "over_db", r.overDb(), 1);
            }
            Json.put(doc, "down_db", c.downDb(louder), 1);
        });
    }

    private static VariantJson.Set read(Path file) {
        if (file.toString().toLowerCase(Locale.ROOT).endsWith(".json")) {
            var node = Json.read(file);
            if (node.path("schema").asString("").equals(VariantJson.SCHEMA))
                return VariantJson.readSet(file.toString(), node);
        }
        return new VariantJson.Set(ToneInput.tone(file), List.of());
    }

    private List<SolvedVariant> solved(Path file, VariantJson.Set set, Sound phrase) {
        if (usual && (make != null || ladder != null))
            throw new InputFault("--usual", "it makes variants of its own",
                    "leave --make and --ladder for another call");
        if (make == null && ladder == null && !usual) return List.of();
        Tone tone = ringLike == null ? set.tone() : SustainSolver.prepared(set.tone());
        VariantSolver solver = new VariantSolver(tone, phrase, Optional.ofNullable(loudnessAt),
                Optional.ofNullable(dirtAt));
        if (usual) return UsualPart.beside(names(set), solver, Progress.NONE);
        if (ladder != null) return solver.ladder(named(file, set, ladder), steps, Progress.NONE);
        String name = Objects.requireNonNull(make);
        if (name.equals(set.tone().name()))
            throw new InputFault("--make " + name, "the tone itself is called so",
                    "give the variant a name of its own");
        Variant start = from == null ? new Variant(name) : named(file, set, from).named(name);
        if (like != null) {
            FewTurns turns = FewTurns.towards(start.on(set.tone()), phrase, AudioInput.studied(like, 0, null).sound(),
                    Progress.NONE);
            near = Optional.of(turns);
            start = Variant.between(name, set.tone(), turns.on(start.on(set.tone())));
        }
        if (ringLike != null) {
            double wanted = SustainSolver.fallDbPerS(ringLike.toString(),
                    AudioInput.studied(ringLike, 0, null).sound());
            SustainSolver.Solved s = new SustainSolver(start.on(tone), phrase).towards(wanted, Progress.NONE);
            rings = Optional.of(s);
            start = Variant.between(name, tone, s.tone());
        }
        return List.of(solver.solved(start, goal(), Progress.NONE));
    }

    /** Names that are taken, the tone's own among them. */
    private static Set<String> names(VariantJson.Set set) {
        return Stream.concat(Stream.of(set.tone().name()), set.variants().stream().map(Variant::name))
                .collect(Collectors.toSet());
    }

    private static Variant named(Path file, VariantJson.Set set, String name) {
        return set.variants().stream().filter(v -> v.name().equals(name)).findFirst()
                .orElseThrow(() -> new InputFault(file.toString(), "it holds no variant \"" + name + "\"",
                        set.variants().isEmpty()
                                ? "make one with --make and --out"
                                : "name one of " + String.join(", ", set.variants().stream().map(Variant::name)
                                        .toList())));
    }

    private VariantGoal goal() {
        if (said != null) return said;
        try {
            VariantGoal g = VariantGoal.NOTHING.louder(louder == null ? 0 : louder);
            if (dirtier != null) g = g.dirtier(dirtier);
            if (longerDecay != null) g = g.longer(longerDecay);
            return repeats == null ? g : g.repeating(repeats);
        } catch (IllegalArgumentException e) {
            throw new InputFault("the goal", String.valueOf(e.getMessage()), "ask for less", e);
        }
    }

    private GuitarTrim trim(Tone base, Sound phrase) {
        if (otherTake == null)
            throw new InputFault("--guitar", "there is no take of the other guitar", "give --other-take");
        return GuitarTrim.of(Objects.requireNonNull(guitar), base, phrase,
                AudioInput.studied(otherTake, 0, null).sound(), Progress.NONE);
    }

    private static ObjectNode document(VariantJson.Set set, VariantMatrix matrix, List<SolvedVariant> solved,
            Optional<GuitarTrim> trim) {
        ObjectNode doc = VariantJson.write(set);
        ArrayNode rows = doc.putArray("matrix");
        for (VariantMatrix.Row r : matrix.rows()) {
            ObjectNode row = rows.addObject().put("name", r.name());
            Json.put(row, "loudness_lufs", r.reading().loudnessLufs(), 2);
            Json.put(row, "dirt", r.reading().dirt(), 3);
            Json.put(row, "headroom_db", r.reading().headroomDb(), 2);
            Json.put(row, "change_jnd", r.change().jnd(), 2);
            Json.put(row, "rings_s", r.ringsS(), 2);
            ObjectNode notices = row.putObject("notices");
            r.notices().values().forEach((n, v) -> Json.put(notices, n.words().replace(' ', '_'), v, 2));
            ObjectNode bands = row.putObject("bands_db");
            r.bandsDb().forEach((b, db) -> Json.put(bands, b.words(), db, 2));
        }
        ArrayNode made = doc.putArray("solved");
        for (SolvedVariant s : solved) {
            ObjectNode one = made.addObject().put("name", s.variant().name()).put("loudness_at",
                    s.loudnessAt().toString());
            one.put("dirt_at", s.dirtAt().map(ControlPlace::toString).orElse(null));
            ArrayNode amiss = one.putArray("amiss");
            s.amiss().forEach(amiss::add);
        }
        trim.ifPresent(t -> {
            ObjectNode one = doc.putObject("guitar").put("name", t.variant().name());
            Json.put(one, "before_jnd", t.beforeJnd(), 2);
            Json.put(one, "after_jnd", t.afterJnd(), 2);
        });
        return doc;
    }

    private static void print(VariantJson.Set set, VariantMatrix matrix, List<SolvedVariant> solved,
            Optional<GuitarTrim> trim) {
        double loudness = matrix.rows().getFirst().reading().loudnessLufs();
        double dirt = matrix.rows().getFirst().reading().dirt();
        System.out.printf("%-22s%8s%7s%10s%8s%8s", "", "LU", "dirt", "headroom", "JND", "rings");
        for (NamedBand b : NamedBand.values()) System.out.printf("%12s", b.words());
        System.out.println();
        for (VariantMatrix.Row r : matrix.rows()) {
            System.out.printf(Locale.ROOT, "%-22s%+8.1f%+7.2f%7.1f dB%8.1f%6.1f s", r.name(),
                    r.reading().loudnessLufs() - loudness, r.reading().dirt() - dirt, r.reading().headroomDb(),
                    r.change().jnd(), r.ringsS());
            for (NamedBand b : NamedBand.values())
                System.out.print(r.bandsDb().containsKey(b)
                        ? Figures.of("%+12.1f", r.bandsDb().get(b))
                        : Figures.of("%12s", ""));
            System.out.println();
        }
        for (Variant v : set.variants()) System.out.println(v.name() + ": " + words(set.tone(), v));
        for (SolvedVariant s : solved) {
            System.out.println(s.variant().name() + ": loudness is turned at " + s.loudnessAt()
                    + s.dirtAt().map(p -> ", dirt at " + p).orElse(""));
            s.amiss().forEach(a -> System.out.println("    " + a));
        }
        trim.ifPresent(t -> System.out.printf(Locale.ROOT,
                "%s: %.1f JND from the first guitar before, %.1f after%n", t.variant().name(), t.beforeJnd(), t
                        .afterJnd()));
    }

    private static String words(Tone base, Variant v) {
        List<String> out = new ArrayList<>();
        for (Map.Entry<String, Boolean> s : v.switches().entrySet())
            out.add(s.getKey() + (s.getValue() ? " on" : " off"));
        v.settings().forEach((place, value) -> base.find(place.block()).ifPresent(b -> {
            var c = b.model().control(place.control());
            out.add(place + " " + c.display(b.get(c.name())) + " → " + c.display(value));
        }));
        return out.isEmpty() ? "differs in nothing" : String.join(", ", out);
    }
}
