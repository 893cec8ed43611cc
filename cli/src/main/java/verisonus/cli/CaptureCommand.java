package verisonus.cli;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.ToneInput;
import verisonus.core.capture.AmpCapture;
import verisonus.core.capture.AmpLearning;
import verisonus.core.capture.CaptureCoverage;
import verisonus.core.rig.Block;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Rig;
import verisonus.core.simulate.CaptureSignal;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

@Command(name = "capture", mixinStandardHelpOptions = true, description = {
        "Finds the simulated amp that comes nearest to a real one.",
        "First write the test signal with --signal, play it into the amp with its loudspeaker or a rated load connected,",
        "start soft, record what comes out at a few control positions, then name the recordings.",
        "With --learn the amp itself is learnt, each control with its turn, and written into a rig that derive takes."})
final class CaptureCommand extends CommonOptions implements Callable<Integer> {
    @Option(names = "--signal", paramLabel = "OUT.wav", description = "writes the test signal")
    private @Nullable Path signal;

    @Option(names = "--recording", paramLabel = "FILE@gain=3,treble=5", description = "what the amp made of the signal, and where its controls stood (0 to 10); again for each position")
    private List<String> recordings = new ArrayList<>();

    @Option(names = "--di", paramLabel = "DI", description = "your own playing that went in instead of the test signal")
    private @Nullable Path di;

    @Option(names = "--check", paramLabel = "DI", description = "says which notes, strengths and bands a take has not covered yet")
    private @Nullable Path check;

    @Option(names = "--learn", paramLabel = "NAME", description = "learns the amp under a name of your own, from two positions or more of each of its controls")
    private @Nullable String learn;

    @Option(names = "--rig", paramLabel = "RIG.json", description = "your gear, into which the learnt amp goes; without it a rig of that amp, its loudspeaker and nothing else")
    private @Nullable Path rig;

    @Option(names = "--out", paramLabel = "RIG.json", description = "where your gear with the learnt amp is written")
    private @Nullable Path out;

    @Mixin
    private final JsonOption json = new JsonOption();

    @Mixin
    private final ForceOption force = new ForceOption();

    @Override
    public Integer call() {
        if (signal != null) {
            OutputFile file = force.to(signal);
            file.check();
            file.write(SoundWriter.encode(CaptureSignal.make(), SoundWriter.Format.WAV_24));
            System.err.printf("verisonus: wrote %s; loudspeaker or rated load first, start soft%n", signal);
        }
        if (check != null && !recordings.isEmpty())
            throw new InputFault("capture", "--check and --recording are two questions", "ask one at a time");
        if (check != null) print(CaptureCoverage.of(AudioInput.read(check)));
        if (recordings.isEmpty()) {
            if (signal == null && check == null)
                throw new InputFault("capture", "there is nothing to do", "give --signal, --check or --recording");
            return 0;
        }
        if (learn == null && (out != null || rig != null))
            throw new InputFault("capture", "--out and --rig take a learnt amp, and none is asked for",
                    "add --learn NAME");
        if (learn != null && out == null)
            throw new InputFault("capture", "a learnt amp goes into a rig, and none is named", "add --out RIG.json");
        Sound played = di == null ? CaptureSignal.make() : AudioInput.read(di);
        List<AmpCapture.Recording> read = recordings.stream().map(r -> recording(r, played)).toList();
        if (learn != null && out != null) {
            learn(learn, read, out);
            return 0;
        }
        AmpCapture.Captured found = ToneInput.shared(workers -> AmpCapture.of(read, workers, Progress.NONE));
        print(found);
        return 0;
    }

    private void learn(String name, List<AmpCapture.Recording> read, Path to) {
        OutputFile file = force.to(to);
        file.check();
        Rig before = rig == null ? new Rig(List.of(), Map.of(), Map.of(), 32) : ToneInput.rig(rig);
        if (Gear.find(name).isPresent() || name.isBlank())
            throw new InputFault("capture", "\"" + name + "\" is not a name of your own",
                    "choose one that no model has");
        AmpLearning.Learnt learnt = ToneInput.shared(workers -> AmpLearning.of(name, read, workers, Progress.NONE));
        Rig after = before.with(learnt.unit());
        if (rig == null) for (Block b : learnt.loudspeaker()) after = after.counting(b.model(), 1);
        file.write(Json.text(ToneJson.write(after)).getBytes(StandardCharsets.UTF_8));
        print(learnt);
    }

    private void print(AmpLearning.Learnt l) {
        double apart = Arrays.stream(l.apart()).average().orElse(0);
        double before = Arrays.stream(l.before()).average().orElse(0);
        if (json.asked()) {
            ObjectNode node = Json.object("verisonus.learnt/1").put("name", l.unit().name()).put("model",
                    l.unit().base());
            Json.put(node, "apart_steps", apart, 2);
            Json.put(node, "apart_steps_before", before, 2);
            ObjectNode turns = node.putObject("turns");
            l.unit().turnings().forEach((control, t) -> {
                var places = turns.putArray(control);
                t.places().forEach(p -> places.addArray().add(p.device()).add(p.model()));
            });
            var speaker = node.putArray("loudspeaker");
            l.loudspeaker().forEach(b -> speaker.add(b.model().name()));
            json.print(node);
            return;
        }
        System.out
                .print(Figures.of("learnt \"%s\": stages of %s, %.1f steps off its recordings (%.1f before learning)%n",
                        l.unit().name(), l.unit().base(), apart, before));
        l.unit().turnings().forEach((control, t) -> System.out.print(Figures.of("  %-10s learnt from %.1f to %.1f%n",
                control, t.places().getFirst().device(), t.places().getLast().device())));
        if (!l.loudspeaker().isEmpty())
            System.out.println("  it goes with "
                    + String.join(" and ", l.loudspeaker().stream().map(b -> b.model().name()).toList()));
    }

    private static AmpCapture.Recording recording(String said, Sound played) {
        int at = said.lastIndexOf('@');
        String file = at < 0 ? said : said.substring(0, at);
        String words = at < 0 ? "" : said.substring(at + 1);
        Map<String, Double> positions = AmpCapture.Recording.positions(words)
                .orElseThrow(() -> new InputFault(file, "the positions " + words + " cannot be used",
                        "write gain=3,treble=5 with values from 0 to 10"));
        return new AmpCapture.Recording(positions, played, AudioInput.read(Path.of(file)));
    }

    private void print(CaptureCoverage c) {
        if (!json.asked()) {
            System.out.println(c.words());
            return;
        }
        ObjectNode out = Json.object("verisonus.coverage/1").put("complete", c.isComplete());
        for (var part : Map.of("notes", c.notes(), "strengths", c.strengths(), "bands", c.bands()).entrySet()) {
            var missing = out.putArray("missing_" + part.getKey());
            part.getValue().forEach(missing::add);
        }
        json.print(out);
    }

    private void print(AmpCapture.Captured c) {
        if (json.asked()) {
            ObjectNode out = Json.object("verisonus.capture/1").put("voicing", c.voicing().name());
            ObjectNode offsets = out.putObject("offsets");
            c.offsets().forEach((name, v) -> Json.put(offsets, name, v, 2));
            Json.put(out, "error_jnd", c.errorJnd(), 2);
            Json.put(out, "spectrum_rms_db", c.spectrumDb(), 2);
            ObjectNode others = out.putObject("others_jnd");
            c.others().forEach((name, v) -> Json.put(others, name, v, 2));
            json.print(out);
            return;
        }
        System.out.printf(Locale.ROOT, "nearest: %s, %.1f JND off (spectrum %.1f dB)%n", c.voicing().name(),
                c.errorJnd(),
                c.spectrumDb());
        c.offsets().forEach((name, v) -> System.out.printf(Locale.ROOT,
                "  %-10s set the simulated one %+.1f from where yours stands%n", name, v));
        c.others().forEach((name, v) -> System.out.printf(Locale.ROOT, "  or %-22s %.1f JND off%n", name, v));
    }
}
