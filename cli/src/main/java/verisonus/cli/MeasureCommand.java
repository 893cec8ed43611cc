package verisonus.cli;

import java.nio.file.Path;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.EvidenceJson;
import verisonus.casebook.words.EvidenceSentences;
import verisonus.casebook.words.FindingsCsv;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.ToneInput;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.evidence.PairedExamination;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

@Command(name = "measure", mixinStandardHelpOptions = true, description = "What a recording shows.")
final class MeasureCommand extends CommonOptions implements Callable<Integer> {
    @Parameters(paramLabel = "AUDIO", description = "a recording: WAV, AIFF, FLAC, Ogg, MP3, M4A, Opus …; - for standard input, or a folder")
    private @Nullable Path audio;

    @Option(names = "--di", paramLabel = "DI", description = "the dry take of the same performance, where there is one")
    private @Nullable Path di;

    @Option(names = "--from", paramLabel = "S", description = "start of the region, seconds")
    private double fromS;

    @Option(names = "--to", paramLabel = "S", description = "end of the region, seconds (default: the end)")
    private @Nullable Double toS;

    @Mixin
    private final JsonOption json = new JsonOption();

    @Option(names = "--csv", description = "print the findings as a table, one a row")
    private boolean csv;

    @Override
    public Integer call() {
        Path file = java.util.Objects.requireNonNull(audio);
        AudioInput.Studied part = AudioInput.studied(file, fromS, toS);
        Sound region = part.sound();
        Evidence alone = ToneInput.shared(workers -> Examination.of(region, workers, Progress.NONE));
        Optional<PairedExamination> paired = Optional.ofNullable(di)
                .map(d -> PairedExamination.of(alone, region, AudioInput.read(d)));
        Evidence evidence = paired.map(PairedExamination::evidence).orElse(alone);
        if (json.asked()) {
            ObjectNode out = EvidenceJson.write(file.getFileName().toString(), part.fromS(), part.toS(),
                    region.rateHz(),
                    part.wholeS(), evidence);
            paired.ifPresent(p -> p.gained().forEach(out.putArray("gained_from_di")::add));
            json.print(out);
        } else if (csv) {
            System.out.print(FindingsCsv.write(EvidenceSentences.of(evidence), _ -> ""));
        } else {
            new EvidenceText(evidence).lines().forEach(System.out::println);
            paired.ifPresent(p -> System.out.println(p.gained().isEmpty()
                    ? "The dry take is of another performance: it showed nothing more."
                    : "Surer by the dry take: " + String.join(", ", p.gained())));
        }
        return 0;
    }
}
