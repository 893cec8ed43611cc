package verisonus.cli;

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
import verisonus.casebook.exchange.ResponseCsv;
import verisonus.cli.files.AudioFormat;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.OutputFile;
import verisonus.core.sound.codec.SoundReader;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.travel.sweep.ExponentialSweep;
import verisonus.core.travel.sweep.SweepReport;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.system.ResponseCurve;

/** A playback system measured: the signal to play, then what the microphone heard. */
@Command(name = "sweep", mixinStandardHelpOptions = true, description = {
        "Measures a playback system: write the signal, play it there, record it with a microphone, three times; then analyse the recordings.",
        "Caution: a sweep is loud and piercing. Start low; protect your ears and small loudspeakers."}, subcommands = {
                SweepCommand.Signal.class, SweepCommand.Analyse.class})
final class SweepCommand extends CommonOptions implements Callable<Integer> {
    @CommandLine.Spec
    private CommandLine.Model.@Nullable CommandSpec spec;

    @Override
    public Integer call() {
        throw new CommandLine.ParameterException(Objects.requireNonNull(spec).commandLine(), "say signal or analyse");
    }

    /** The signal to play. */
    @Command(name = "signal", mixinStandardHelpOptions = true, description = "Writes the signal to play; start low, it is loud and piercing.")
    static final class Signal extends CommonOptions implements Callable<Integer> {
        @Parameters(paramLabel = "OUT.wav", description = "where to write it")
        private @Nullable Path out;

        @Mixin
        private final ForceOption force = new ForceOption();

        @Override
        public Integer call() {
            Path file = Objects.requireNonNull(out);
            AudioFormat.WAV24.requireEnding(file);
            force.to(file).write(SoundWriter.encode(ExponentialSweep.STANDARD.signal(),
                    SoundWriter.Format.WAV_24));
            System.err.println("verisonus: wrote " + file + "; start low, a sweep is loud and piercing");
            return 0;
        }
    }

    /** What the microphone heard. */
    @Command(name = "analyse", mixinStandardHelpOptions = true, description = "The response from what the microphone heard, a recording a run; three runs or more tell what is to be trusted.")
    static final class Analyse extends CommonOptions implements Callable<Integer> {
        @Parameters(paramLabel = "RECORDING", arity = "1..20", description = "what the microphone heard, a file a run")
        private List<Path> recordings = new ArrayList<>();

        @Option(names = "--out", paramLabel = "OUT.csv", description = "write the response, for travel --systems")
        private @Nullable Path out;

        @Option(names = {"--calibration",
                "--microphone"}, paramLabel = "CAL", description = "calibration of the microphone, CSV or TXT")
        private @Nullable Path calibration;

        @Option(names = "--name", paramLabel = "NAME", description = "what the system is called")
        private String name = "measured system";

        @Mixin
        private final ForceOption force = new ForceOption();

        @Mixin
        private final JsonOption json = new JsonOption();

        @Override
        public Integer call() {
            Optional<OutputFile> target = Optional.ofNullable(out).map(p -> force.to(p));
            target.ifPresent(OutputFile::check);
            Optional<ResponseCurve> microphone = Optional.ofNullable(calibration).map(ResponseCsv::read);
            SweepReport report = SweepReport.of(ExponentialSweep.STANDARD,
                    recordings.stream().map(r -> new SweepReport.Run(r.toString(), SoundReader.read(r).sound()))
                            .toList(),
                    microphone);
            target.ifPresent(
                    f -> f.write(ResponseCsv.write(PlaybackSystem.measured("measured", name, report.curve()))));
            if (json.asked()) {
                json.print(document(report));
            } else {
                print(report);
            }
            return 0;
        }

        private ObjectNode document(SweepReport r) {
            ObjectNode doc = Json.object("verisonus.sweep/1").put("name", name).put("runs", recordings.size()).put(
                    "used",
                    r.used());
            ArrayNode bands = doc.putArray("bands");
            double[] hz = r.curve().hz();
            for (int b = 0; b < hz.length; b++) {
                ObjectNode band = bands.addObject();
                Json.put(band, "hz", hz[b], 1);
                Json.put(band, "level_db", r.curve().levelDb()[b], 2);
                Json.put(band, "signal_over_noise_db", r.signalOverNoiseDb()[b], 1);
            }
            ArrayNode remarks = doc.putArray("remarks");
            r.remarks().forEach(remarks::add);
            return doc;
        }

        private void print(SweepReport r) {
            System.out.printf(Locale.ROOT, "%s, %d of %d runs%n", name, r.used(), recordings.size());
            double[] hz = r.curve().hz();
            for (int b = 0; b < hz.length; b++)
                System.out.printf(Locale.ROOT, "%8.0f Hz %+7.1f dB   %5.1f dB over the noise%n", hz[b],
                        r.curve().levelDb()[b], r.signalOverNoiseDb()[b]);
            r.remarks().forEach(System.out::println);
        }
    }
}
