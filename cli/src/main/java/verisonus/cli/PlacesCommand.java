package verisonus.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
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
import verisonus.cli.files.AudioFormat;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.ToneOfBlock;
import verisonus.core.compare.GapLedger;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.rig.Placement;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.work.InputFault;
import verisonus.core.work.OutputFault;
import verisonus.core.work.Progress;

@Command(name = "places", mixinStandardHelpOptions = true, description = "A movement, echo or space in each of its four places, by ear and by figure.")
final class PlacesCommand extends CommonOptions implements Callable<Integer> {
    @Option(names = "--tone", required = true, paramLabel = "TONE.json", description = "the tone")
    private @Nullable Path tone;

    @Option(names = "--di", required = true, paramLabel = "DI", description = "dry guitar")
    private @Nullable Path di;

    @Option(names = "--block", required = true, paramLabel = "ID", description = "the block to place")
    private String block = "";

    @Option(names = "--out", paramLabel = "DIR", description = "folder for one WAV a place")
    private @Nullable Path out;

    @Mixin
    private final JsonOption json = new JsonOption();

    @Mixin
    private final ForceOption force = new ForceOption();

    @Override
    public Integer call() {
        ToneOfBlock read = ToneOfBlock.read(Objects.requireNonNull(tone), block);
        if (!Placement.suits(read.block())) {
            throw new InputFault(block, "it is no movement, echo or space", "name a block of that kind");
        }
        Sound dry = AudioInput.read(Objects.requireNonNull(di));
        Optional<Evidence> first = Optional.empty();
        ObjectNode document = Json.object("verisonus.places/1");
        document.put("block", block).put("now", Placement.of(read.tone(), block).words());
        ArrayNode list = document.putArray("places");
        for (Placement p : Placement.values()) {
            Sound played = Renderer.render(p.in(read.tone(), block), dry, Quality.FINAL, Progress.NONE);
            if (out != null) write(p, played);
            Evidence e = Examination.of(played, Progress.NONE);
            Optional<GapLedger> gap = first.map(f -> GapLedger.between(f, e));
            if (first.isEmpty()) first = Optional.of(e);
            ObjectNode n = list.addObject().put("place", p.words()).put("about", p.about());
            Json.put(n, "rms_dbfs", Decibels.fromAmplitude(played.rms()), 1);
            Json.put(n, "jnd_from_first", gap.map(GapLedger::scoreJnd).orElse(0.0), 2);
            if (!json.asked()) {
                System.out.printf("%-30s %6.1f dBFS  %4.1f JND from %s  (%s)%n", p.words(),
                        Decibels.fromAmplitude(played.rms()), gap.map(GapLedger::scoreJnd).orElse(0.0),
                        Placement.BEFORE_AMP.words(), p.about());
            }
        }
        if (json.asked()) json.print(document);
        return 0;
    }

    private void write(Placement p, Sound played) {
        try {
            Files.createDirectories(Objects.requireNonNull(out));
        } catch (IOException e) {
            throw new OutputFault(String.valueOf(out), "the folder cannot be made: " + e.getMessage(),
                    "choose another folder");
        }
        OutputFile file = new OutputFile(out.resolve(p.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-')
                + ".wav"), force.given());
        file.check();
        double peak = Decibels.fromAmplitude(played.peak());
        file.write(SoundWriter.encode(peak > -0.1 ? played.gained(-peak - 0.1) : played, AudioFormat.WAV24.format()));
    }
}
