package verisonus.cli.ears;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.OutputFile;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.trial.Candidate;
import verisonus.core.trial.clip.Clip;
import verisonus.core.work.InputFault;

/** {@code clip}: excerpts in a row, equally loud, to be shown to others. */
@Command(name = "clip", mixinStandardHelpOptions = true, description = {
        "Excerpts in a row, all equally loud: record, mine, with and without. What is heard when goes into a list.",
        "With --blind they come in an order of chance, called by numbers; the key is in a file of its own."})
public final class ClipCommand extends CommonOptions implements Callable<Integer> {
    private static final Pattern EXCERPT = Pattern.compile("(.*)@(\\d+(?:\\.\\d+)?)-(\\d+(?:\\.\\d+)?)");

    @Option(names = "--part", required = true, paramLabel = "FILE[@FROM-TO][=LABEL]", description = "an excerpt, seconds, and what it is called; again for each")
    private List<String> parts = new ArrayList<>();

    @Option(names = "--out", required = true, paramLabel = "FILE.(wav|flac)", description = "where the clip goes")
    private @Nullable Path out;

    @Option(names = "--cues", paramLabel = "FILE.csv", description = "what is heard when")
    private @Nullable Path cues;

    @Option(names = "--blind", paramLabel = "KEY.json", description = "an order of chance, and where its key goes")
    private @Nullable Path blind;

    @Option(names = "--seed", paramLabel = "N", description = "of that order (default: the clock)")
    private @Nullable Long seed;

    @Mixin
    private final ForceOption force = new ForceOption();

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        Path file = Objects.requireNonNull(out);
        SoundWriter.Format format = format(file);
        List<Path> inputs = new ArrayList<>();
        List<Candidate> read = new ArrayList<>();
        for (String p : parts) read.add(part(p, inputs));
        OutputFile target = force.to(file).besides(inputs.toArray(Path[]::new));
        Optional<OutputFile> list = Optional.ofNullable(cues).map(force::to);
        Optional<OutputFile> key = Optional.ofNullable(blind).map(force::to);
        target.check();
        list.ifPresent(OutputFile::check);
        key.ifPresent(OutputFile::check);
        Optional<Clip.Blind> drawn = key.map(_ -> Clip.blind(read, seed == null ? System.nanoTime() : seed));
        Clip clip = drawn.map(Clip.Blind::clip).orElseGet(() -> Clip.of(read));
        target.write(SoundWriter.encode(clip.sound(), format));
        drawn.ifPresent(d -> key.orElseThrow().write(Json.text(key(d))));
        list.ifPresent(f -> f.write(table(clip)));
        if (json.asked()) {
            json.print(document(clip));
        } else {
            System.out.print(table(clip));
        }
        return 0;
    }

    private static SoundWriter.Format format(Path file) {
        String name = file.toString().toLowerCase(Locale.ROOT);
        if (name.endsWith(".wav")) return SoundWriter.Format.WAV_24;
        if (name.endsWith(".flac")) return SoundWriter.Format.FLAC_24;
        throw new InputFault(file.toString(), "its ending names no kind of sound", "end it in .wav or .flac");
    }

    /** A file's own name may hold "=" and "@": what is a file is taken as one. */
    private static Candidate part(String said, List<Path> inputs) {
        String place = said;
        String label = "";
        int at = said.lastIndexOf('=');
        if (at > 0 && !Files.exists(Path.of(said))) {
            place = said.substring(0, at);
            label = said.substring(at + 1).strip();
        }
        Matcher m = EXCERPT.matcher(place);
        boolean cut = !Files.exists(Path.of(place)) && m.matches();
        Path file = Path.of(cut ? m.group(1) : place);
        inputs.add(file);
        double from = cut ? Double.parseDouble(m.group(2)) : 0;
        @Nullable
        Double to = cut ? Double.valueOf(m.group(3)) : null;
        String called = label.isEmpty() ? String.valueOf(file.getFileName()) : label;
        return new Candidate(called, AudioInput.read(file, from, to).sound());
    }

    private static ObjectNode key(Clip.Blind drawn) {
        ObjectNode doc = Json.object("verisonus.clip-key/1");
        ObjectNode key = doc.putObject("key");
        for (int i = 0; i < drawn.key().size(); i++) key.put(String.valueOf(i + 1), drawn.key().get(i));
        return doc;
    }

    private static ObjectNode document(Clip clip) {
        ObjectNode doc = Json.object("verisonus.clip/1");
        Json.put(doc, "loudness_lufs", clip.loudnessLufs(), 2);
        ArrayNode all = doc.putArray("cues");
        for (Clip.Cue c : clip.cues()) {
            ObjectNode n = all.addObject().put("label", c.label());
            Json.put(n, "from_s", c.fromS(), 3);
            Json.put(n, "to_s", c.toS(), 3);
        }
        return doc;
    }

    private static String table(Clip clip) {
        StringBuilder out = new StringBuilder("from_s,to_s,label\n");
        for (Clip.Cue c : clip.cues())
            out.append(String.format(Locale.ROOT, "%.3f,%.3f,\"%s\"%n", c.fromS(), c.toS(),
                    c.label().replace("\"", "\"\"")));
        return out.toString();
    }
}
