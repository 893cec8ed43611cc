package verisonus.cli.tone;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.ToneInput;
import verisonus.core.advise.SaidWord;
import verisonus.core.evidence.study.InputCheck;
import verisonus.core.evidence.words.Word;
import verisonus.core.perform.wish.Granted;
import verisonus.core.perform.wish.NewTone;
import verisonus.core.perform.wish.StartSound;
import verisonus.core.perform.wish.Wish;
import verisonus.core.perform.wish.WishSolver;
import verisonus.core.rig.Block;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.StartingTone;
import verisonus.core.search.StartingTones;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/** {@code tone}: begun from a take alone, and moved to a wish. */
@Command(name = "tone", mixinStandardHelpOptions = true, description = "A tone with no record: begin from a take alone, hear the starting tones, move one to a wish.", subcommands = {
        ToneCommand.New.class, ToneCommand.Start.class, ToneCommand.Aim.class})
public final class ToneCommand extends CommonOptions implements Callable<Integer> {
    private static final String NEUTRAL = "NEUTRAL";
    private static final int NAMED = 3;

    @Spec
    private @Nullable CommandSpec spec;

    @Override
    public Integer call() {
        throw new CommandLine.ParameterException(Objects.requireNonNull(spec).commandLine(), "say new, start or aim");
    }

    /** What every one of them is told. */
    private abstract static class WithTake extends CommonOptions implements Callable<Integer> {
        @Option(names = "--di", required = true, paramLabel = "DI", description = "dry guitar of your own")
        private @Nullable Path di;

        @Option(names = "--rig", paramLabel = "RIG.json", description = "only this gear")
        private @Nullable Path rig;

        @Mixin
        final JsonOption json = new JsonOption();

        /** Says at once what is wrong with a take, and goes on where it can. */
        Sound take() {
            Sound take = AudioInput.studied(Objects.requireNonNull(di), 0, null).sound();
            InputCheck check = InputCheck.of(take);
            if (check.verdict() != InputCheck.Fitness.GOOD) System.err.println("verisonus: the take: " + check.words());
            return take;
        }

        Rig rig() {
            return ToneInput.rig(rig);
        }
    }

    /** {@code tone new}. */
    @Command(name = "new", mixinStandardHelpOptions = true, description = "Begins a tone from a dry take: neutral, from a starting tone, or from a tone file.")
    static final class New extends WithTake {
        @Option(names = "--from", paramLabel = "NEUTRAL|STARTING|TONE.json", description = "neutral, the name of a starting tone (see tone start), or a file (default: neutral)")
        private String from = NEUTRAL;

        @Option(names = "--out", required = true, paramLabel = "TONE.json", description = "where the tone goes")
        private @Nullable Path out;

        @Mixin
        private final ForceOption force = new ForceOption();

        @Override
        public Integer call() {
            OutputFile target = force.to(Objects.requireNonNull(out));
            target.check();
            Sound take = take();
            Tone tone = NewTone.levelled(begun(), take);
            target.write(Json.text(ToneJson.write(tone)));
            if (json.asked()) {
                ObjectNode doc = Json.object("verisonus.new-tone/1").put("from", from);
                doc.set("tone", ToneJson.write(tone));
                json.print(doc);
                return 0;
            }
            System.out.println(tone.name() + ": " + String.join(" · ", tone.blocks().stream().filter(Block::on)
                    .map(b -> b.model().name()).toList()));
            return 0;
        }

        private Tone begun() {
            if (from.equalsIgnoreCase(NEUTRAL)) return NewTone.neutral(rig());
            List<StartingTone> all = StartingTones.playable(rig());
            Optional<StartingTone> named = all.stream().filter(t -> t.words().equalsIgnoreCase(from)).findFirst();
            if (named.isPresent()) return named.get().tone();
            if (Files.isRegularFile(Path.of(from))) return ToneInput.tone(Path.of(from));
            String said = from.toLowerCase(Locale.ROOT);
            List<String> near = all.stream().map(StartingTone::words)
                    .sorted(Comparator.comparing((String w) -> !w.contains(said)).thenComparing(w -> w)).limit(NAMED)
                    .toList();
            throw new InputFault("--from " + from, "it is no starting tone of your gear and no file",
                    near.isEmpty()
                            ? "your gear can set up none: say NEUTRAL"
                            : "see tone start; such as "
                                    + String.join(", ", near));
        }
    }

    /** {@code tone start}. */
    @Command(name = "start", mixinStandardHelpOptions = true, description = "The starting tones as they sound on your take, by family.")
    static final class Start extends WithTake {
        @Override
        public Integer call() {
            Sound take = take();
            Rig gear = rig();
            List<StartSound> all = ToneInput.shared(workers -> StartSound.all(gear, take, workers));
            if (json.asked()) {
                ObjectNode doc = Json.object("verisonus.starts/1");
                ArrayNode starts = doc.putArray("starts");
                for (StartSound s : all) {
                    ObjectNode n = starts.addObject().put("name", s.start().words()).put("family", s.family());
                    ObjectNode traits = n.putObject("traits");
                    s.traits().forEach((t, v) -> Json.put(traits, t.name().toLowerCase(Locale.ROOT), v, 2));
                }
                json.print(doc);
                return 0;
            }
            String family = "";
            for (StartSound s : all) {
                if (!s.family().equals(family)) System.out.println(s.family());
                family = s.family();
                System.out.println("    " + s.start().words() + words(s));
            }
            return 0;
        }

        private static String words(StartSound s) {
            List<String> fits = s.fitting(NAMED);
            return fits.isEmpty() ? "" : ": " + String.join(", ", fits);
        }
    }

    /** {@code tone aim}. */
    @Command(name = "aim", mixinStandardHelpOptions = true, description = "Moves a tone to a wish: words, loudness, dirt, or one respect of a recording. What is not asked for stays.")
    static final class Aim extends WithTake {
        @Option(names = "--tone", required = true, paramLabel = "TONE.json", description = "the tone")
        private @Nullable Path tone;

        @Option(names = "--wish", paramLabel = "WORDS", description = "\"brighter, less boxy\": what a listener should notice, by commas")
        private String wish = "";

        @Option(names = "--louder-db", paramLabel = "DB", description = "how much louder, at equal settings of all else")
        private @Nullable Double louder;

        @Option(names = "--dirt-by", paramLabel = "SHARE", description = "how much dirtier, -1 to 1, at equal loudness")
        private @Nullable Double dirt;

        @Option(names = "--like", paramLabel = "FILE", description = "a recording that it shall be like, with --only")
        private @Nullable Path like;

        @Option(names = "--only", paramLabel = "echo|space|movement|colour|dirt", description = "in which respect")
        private Wish.@Nullable Aspect only;

        @Option(names = "--out", required = true, paramLabel = "TONE.json", description = "where the changed tone goes")
        private @Nullable Path out;

        @Mixin
        private final ForceOption force = new ForceOption();

        @Override
        public Integer call() {
            OutputFile target = force.to(Objects.requireNonNull(out)).besides(tone);
            target.check();
            if ((like == null) != (only == null))
                throw new InputFault(like == null ? "--only" : "--like", "one is named without the other",
                        "name the recording with --like and the respect with --only");
            Tone before = ToneInput.tone(Objects.requireNonNull(tone));
            Rig gear = rig();
            Sound take = take();
            Wish wished = new Wish(words(), optional("--louder-db", louder, 30), optional("--dirt-by", dirt, 1),
                    like == null
                            ? Optional.empty()
                            : Optional.of(new Wish.Like(AudioInput.studied(like, 0, null).sound(),
                                    Objects.requireNonNull(only))));
            Granted g = ToneInput.shared(
                    workers -> new WishSolver(gear, take, workers).granted(before, wished, Progress.NONE));
            target.write(Json.text(ToneJson.write(g.tone())));
            if (json.asked()) {
                json.print(document(g));
            } else {
                print(g, before, gear);
            }
            return 0;
        }

        private List<SaidWord> words() {
            List<SaidWord> out = new ArrayList<>();
            for (String part : wish.isBlank() ? new String[0] : wish.split(",", -1)) {
                String said = part.strip();
                out.add(SaidWord.find(said, Word.shipped()).orElseThrow(() -> new InputFault("--wish " + said,
                        "no known word is in it", "use one of " + String.join(", ", SaidWord.names(Word.shipped()))
                                + "; near it: " + String.join(", ", SaidWord.nearest(said, Word.shipped())))));
            }
            return out;
        }

        private static OptionalDouble optional(String option, @Nullable Double v, double most) {
            if (v == null) return OptionalDouble.empty();
            if (!(Math.abs(v) <= most))
                throw new InputFault(option + " " + v, "it is out of reach", "use " + -most + " to " + most);
            return OptionalDouble.of(v);
        }

        private static ObjectNode document(Granted g) {
            ObjectNode doc = Json.object("verisonus.aim/1");
            ArrayNode wished = doc.putArray("wished");
            ArrayNode reached = doc.putArray("reached");
            for (Granted.Part p : g.parts()) {
                ObjectNode w = wished.addObject().put("what", p.wish()).put("unit", p.unit());
                Json.put(w, "value", p.wanted(), 3);
                ObjectNode r = reached.addObject().put("what", p.wish()).put("met", p.met());
                Json.put(r, "value", p.reached(), 3);
            }
            ArrayNode against = doc.putArray("against");
            g.against().forEach(against::add);
            ArrayNode changed = doc.putArray("changed");
            for (Granted.Change c : g.changed()) {
                ObjectNode n = changed.addObject().put("setting", c.place().toString());
                Json.put(n, "from", c.from(), 3);
                Json.put(n, "to", c.to(), 3);
            }
            doc.set("tone", ToneJson.write(g.tone()));
            return doc;
        }

        private static void print(Granted g, Tone before, Rig rig) {
            for (Granted.Part p : g.parts())
                System.out.println((p.met() ? "met: " : "not met: ") + p.wish() + Figures.read(
                        ", %.2f of %.2f ", p.reached(), p.wanted()) + p.unit());
            for (Granted.Change c : g.changed()) {
                Block b = g.tone().find(c.place().block()).orElseThrow();
                var control = b.model().control(c.place().control());
                boolean added = before.find(b.id()).isEmpty();
                System.out.println("    " + b.id() + " " + rig.label(b, control.name()) + " "
                        + (added ? "" : rig.display(b.model(), control, c.from()) + " → ")
                        + rig.display(b.model(), control, c.to()));
            }
            g.against().forEach(a -> System.out.println("    " + a));
        }
    }
}
