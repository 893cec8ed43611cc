package verisonus.cli.perform;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
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
import verisonus.core.evidence.notes.PlayedNote;
import verisonus.core.evidence.notes.TempoCourse;
import verisonus.core.evidence.notes.TempoEstimator;
import verisonus.core.evidence.notes.TempoHint;
import verisonus.core.evidence.notes.TempoReading;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.perform.time.NoteStarts;
import verisonus.core.perform.time.NoteSum;
import verisonus.core.perform.time.RhythmPlan;
import verisonus.core.perform.time.TempoBinding;
import verisonus.core.perform.time.TempoRange;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;

/** Times that follow the beat. */
@Command(name = "tempo", mixinStandardHelpOptions = true, description = "Times that follow the beat: bind them, see how far they must reach, hear what rhythm an echo makes.", subcommands = {
        TempoCommand.Bind.class, TempoCommand.Drift.class, TempoCommand.Rhythm.class})
public final class TempoCommand extends CommonOptions implements Callable<Integer> {
    @CommandLine.Spec
    private CommandLine.Model.@Nullable CommandSpec spec;

    @Override
    public Integer call() {
        throw new CommandLine.ParameterException(Objects.requireNonNull(spec).commandLine(),
                "say bind, drift or rhythm");
    }

    private static NoteSum length(String words) {
        try {
            return NoteSum.parse(words);
        } catch (IllegalArgumentException e) {
            throw new InputFault(words, String.valueOf(e.getMessage()),
                    "write dotted eighth, quarter, or quarter + eighth", e);
        }
    }

    /** What of a tone follows the beat, and the tone at a tempo. */
    @Command(name = "bind", mixinStandardHelpOptions = true, description = "What of a tone follows the beat, and the tone at another tempo.")
    static final class Bind extends CommonOptions implements Callable<Integer> {
        @Option(names = "--tone", required = true, paramLabel = "TONE", description = "the tone")
        private @Nullable Path tone;

        @Option(names = "--bpm", required = true, paramLabel = "B", description = "tempo of the tone's times as they are")
        private double bpm;

        @Option(names = "--to", paramLabel = "B", description = "tempo that the tone is brought to (default: --bpm)")
        private @Nullable Double to;

        @Option(names = "--to-played", paramLabel = "DI", description = "the tempo that a take of your own plays, in place of --to")
        private @Nullable Path played;

        @Option(names = "--bind", paramLabel = "BLOCK/CONTROL=LENGTH", description = "a time and its note value, as \"echo/time=dotted eighth\"; again for more (default: those that are a note value already)")
        private List<String> bound = new ArrayList<>();

        @Option(names = "--out", paramLabel = "TONE.json", description = "write the tone at that tempo")
        private @Nullable Path out;

        @Mixin
        private final ForceOption force = new ForceOption();

        @Mixin
        private final JsonOption json = new JsonOption();

        @Override
        public Integer call() {
            TempoBinding.check(bpm);
            double target = target();
            TempoBinding.check(target);
            Tone read = ToneInput.tone(Objects.requireNonNull(tone));
            Optional<OutputFile> file = Optional.ofNullable(out).map(p -> force.to(p));
            file.ifPresent(OutputFile::check);
            List<TempoBinding> bindings = bound.isEmpty()
                    ? TempoBinding.suggested(read, bpm)
                    : bound.stream().map(Bind::binding).toList();
            Tone at = read;
            for (TempoBinding b : bindings) at = b.at(at, target);
            Tone written = at;
            file.ifPresent(f -> f.write(Json.text(ToneJson.write(written))));
            ObjectNode doc = Json.object("verisonus.tempo/1");
            Json.put(doc, "bpm", target, 3);
            ArrayNode list = doc.putArray("bindings");
            for (TempoBinding b : bindings) {
                Block block = at.find(b.place().block()).orElseThrow();
                double v = block.get(b.place().control());
                ObjectNode one = list.addObject().put("place", b.place().toString()).put("length", b.length().words());
                Json.put(one, "value", v, 3);
                one.put("unit", block.model().control(b.place().control()).unit());
                if (!json.asked())
                    System.out.printf("%-24s %-24s %s%n", b.place(), b.length().words(),
                            block.model().control(b.place().control()).display(v));
            }
            if (json.asked()) json.print(doc);
            else if (bindings.isEmpty()) System.out.println("none of its times is a note value at this tempo");
            return 0;
        }

        private double target() {
            if (played == null) return to == null ? bpm : to;
            if (to != null)
                throw new InputFault("--to-played", "--to names a tempo already", "leave one of them out");
            return TempoBinding.played(played.toString(), AudioInput.studied(played, 0, null).sound());
        }

        private static TempoBinding binding(String said) {
            int at = said.indexOf('=');
            if (at < 0) throw new InputFault(said, "it names no note value", "write echo/time=dotted eighth");
            return new TempoBinding(new PlaceConverter().convert(said.substring(0, at)), length(said.substring(at
                    + 1)));
        }
    }

    /** How far the beat of a recording wanders. */
    @Command(name = "drift", mixinStandardHelpOptions = true, description = "How far the beat of a recording wanders, and what a time that follows it must cover.")
    static final class Drift extends CommonOptions implements Callable<Integer> {
        @Parameters(paramLabel = "AUDIO", description = "the recording")
        private @Nullable Path audio;

        @Option(names = "--length", paramLabel = "NOTE", description = "note value of the time (default: dotted eighth)")
        private String length = "dotted eighth";

        @Option(names = "--bpm", paramLabel = "B", description = "tempo near which to look (default: as found)")
        private @Nullable Double bpm;

        @Mixin
        private final JsonOption json = new JsonOption();

        @Override
        public Integer call() {
            NoteSum note = length(length);
            if (bpm != null) TempoBinding.check(bpm);
            Sound sound = AudioInput.studied(Objects.requireNonNull(audio), 0, null).sound();
            Optional<TempoHint> hint = Optional.ofNullable(bpm).map(b -> TempoHint.of(sound, b));
            double near = hint.map(TempoHint::bpm).orElseGet(() -> found(sound));
            TempoRange range = TempoRange.of(TempoCourse.of(sound, near));
            if (!range.isKnown())
                throw new InputFault(audio.toString(), "no steady stretch of eight seconds has a tempo",
                        "use a longer part, or give --bpm");
            double middle = (range.lowBpm() + range.highBpm()) / 2;
            double flam = TempoRange.flamBpm(note, middle, 1);
            if (json.asked()) {
                ObjectNode doc = Json.object("verisonus.tempo/1").put("steady", range.steady());
                doc.put("hint_doubted", hint.filter(TempoHint::doubted).isPresent());
                Json.put(doc, "low_bpm", range.lowBpm(), 2);
                Json.put(doc, "high_bpm", range.highBpm(), 2);
                doc.put("length", note.words());
                Json.put(doc, "longest_ms", note.milliseconds(range.lowBpm()), 1);
                Json.put(doc, "shortest_ms", note.milliseconds(range.highBpm()), 1);
                Json.put(doc, "flam_bpm", flam, 2);
                ArrayNode path = doc.putArray("path");
                for (TempoRange.Step s : range.path(note)) {
                    ObjectNode one = path.addObject();
                    Json.put(one, "at_s", s.atS(), 2);
                    Json.put(one, "bpm", s.bpm(), 2);
                    Json.put(one, "time_ms", s.timeMs(), 1);
                }
                json.print(doc);
                return 0;
            }
            if (hint.filter(TempoHint::doubted).isPresent())
                System.out.printf(Locale.ROOT, "%.1f BPM does not fit this recording; looked near %.1f%n", bpm, near);
            System.out.println(range.words());
            System.out.printf(Locale.ROOT, "a %s is %.0f to %.0f ms; its first repeat stands apart when the tempo is"
                    + " %.1f BPM off%n", note.words(), note.milliseconds(range.highBpm()),
                    note.milliseconds(range
                            .lowBpm()),
                    flam);
            for (TempoRange.Step s : range.path(note))
                System.out.printf(Locale.ROOT, "%7.1f s  %6.1f BPM  %6.0f ms%n", s.atS(), s.bpm(), s.timeMs());
            return 0;
        }

        private double found(Sound sound) {
            Finding<TempoReading> f = TempoEstimator.estimate(sound);
            return f.value().orElseThrow(() -> new InputFault(String.valueOf(audio), "no tempo was found in it",
                    "give --bpm")).bpm();
        }
    }

    /** What a phrase becomes with an echo. */
    @Command(name = "rhythm", mixinStandardHelpOptions = true, description = "What a phrase becomes with an echo: played and added notes, and what other note values would make of it.")
    static final class Rhythm extends CommonOptions implements Callable<Integer> {
        @Mixin
        private ToneWithTake played = new ToneWithTake();

        @Option(names = "--bpm", required = true, paramLabel = "B", description = "tempo of the phrase")
        private double bpm;

        @Option(names = "--echo", paramLabel = "ID", description = "block that repeats (default: the first echo that is on)")
        private @Nullable String echo;

        @Mixin
        private final JsonOption json = new JsonOption();

        @Override
        public Integer call() {
            TempoBinding.check(bpm);
            Tone tone = played.tone();
            Block block = echo(tone);
            List<PlayedNote> notes = NoteStarts.of(played.take());
            RhythmPlan.Echo e = RhythmPlan.Echo.of(block);
            RhythmPlan plan = RhythmPlan.of(notes, e, bpm);
            List<RhythmPlan.Choice> choices = RhythmPlan.choices(notes, e, bpm);
            if (json.asked()) {
                json.print(document(plan, choices, ControlPlace.of(block, "time")));
                return 0;
            }
            System.out.printf(Locale.ROOT,
                    "%d played notes, %d added within the phrase that are new, %d that stumble%n",
                    notes.size(), plan.newAccents().size(), plan.flams().size());
            for (RhythmPlan.Note n : plan.notes())
                System.out.printf(Locale.ROOT, "%8.3f s  %-12s %6.1f dB  %+6.1f ms from the beat%n", n.atS(),
                        n.isPlayed() ? "played" : "repeat " + n.repeat(), n.levelDb(), n.errorMs());
            for (RhythmPlan.Choice c : choices) System.out.println(c.words());
            return 0;
        }

        private Block echo(Tone tone) {
            List<Block> echoes = tone.blocks().stream().filter(b -> b.model().kind() == GearKind.ECHO).toList();
            if (echo == null)
                return echoes.stream().filter(Block::on).findFirst()
                        .orElseThrow(() -> new InputFault(played.toneFile().toString(), "it has no echo that is on",
                                "put one in, or name another tone"));
            return echoes.stream().filter(b -> b.id().equals(echo)).findFirst()
                    .orElseThrow(() -> new InputFault("--echo " + echo, "the tone has no echo of that name",
                            echoes.isEmpty()
                                    ? "put one in, or name another tone"
                                    : "name " + String.join(" or ", echoes.stream().map(Block::id).toList())));
        }

        private static ObjectNode document(RhythmPlan plan, List<RhythmPlan.Choice> choices, ControlPlace place) {
            ObjectNode doc = Json.object("verisonus.tempo/1").put("place", place.toString());
            Json.put(doc, "bpm", plan.bpm(), 3);
            Json.put(doc, "grid_quarters", plan.grid(), 4);
            Json.put(doc, "first_line_s", plan.firstLineS(), 4);
            ArrayNode notes = doc.putArray("notes");
            for (RhythmPlan.Note n : plan.notes()) {
                ObjectNode one = notes.addObject();
                Json.put(one, "at_s", n.atS(), 4);
                Json.put(one, "level_db", n.levelDb(), 1);
                one.put("played", n.isPlayed()).put("repeat", n.repeat()).put("of", n.of());
                Json.put(one, "error_ms", n.errorMs(), 2);
            }
            ArrayNode all = doc.putArray("choices");
            for (RhythmPlan.Choice c : choices) {
                ObjectNode one = all.addObject().put("note_value", c.value().name());
                Json.put(one, "time_ms", c.timeMs(), 2);
                one.put("new_notes", c.accents()).put("off_the_grid", c.between()).put("stumbling", c.flams());
            }
            return doc;
        }
    }
}
