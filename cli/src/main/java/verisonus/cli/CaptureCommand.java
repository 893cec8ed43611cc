package verisonus.cli;

import java.nio.file.Path;
import java.util.ArrayList;
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
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.ToneInput;
import verisonus.cli.files.VerboseOption;
import verisonus.core.capture.AmpCapture;
import verisonus.core.capture.CaptureCoverage;
import verisonus.core.simulate.CaptureSignal;
import verisonus.core.sound.Sound;
import verisonus.core.sound.SoundWriter;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

@Command(name = "capture", mixinStandardHelpOptions = true, description = {
        "Finds the simulated amp that comes nearest to a real one.",
        "First write the test signal with --signal, play it into the amp with its loudspeaker or a rated load connected,",
        "start soft, record what comes out at a few control positions, then name the recordings."})
final class CaptureCommand extends VerboseOption implements Callable<Integer> {
    @Option(names = "--signal", paramLabel = "OUT.wav", description = "writes the test signal")
    private @Nullable Path signal;

    @Option(names = "--recording", paramLabel = "FILE@gain=3,treble=5", description = "what the amp made of the signal, and where its controls stood (0 to 10); again for each position")
    private List<String> recordings = new ArrayList<>();

    @Option(names = "--di", paramLabel = "DI", description = "your own playing that went in instead of the test signal")
    private @Nullable Path di;

    @Option(names = "--check", paramLabel = "DI", description = "says which notes, strengths and bands a take has not covered yet")
    private @Nullable Path check;

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
        Sound played = di == null ? CaptureSignal.make() : AudioInput.read(di);
        List<AmpCapture.Recording> read = recordings.stream().map(r -> recording(r, played)).toList();
        AmpCapture.Captured found = ToneInput.shared(workers -> AmpCapture.of(read, workers, Progress.NONE));
        print(found);
        return 0;
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
