package verisonus.cli;

import java.nio.file.Path;
import java.util.Objects;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import verisonus.casebook.exchange.DerivationJson;
import verisonus.casebook.exchange.Json;
import verisonus.cli.files.RegionOptions;
import verisonus.cli.files.VerboseOption;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.compare.Verdict;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

@Command(name = "compare", mixinStandardHelpOptions = true, description = "What differs between two recordings, most audible first.")
final class CompareCommand extends VerboseOption implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "REF", description = "the wanted sound")
    private @Nullable Path reference;

    @Parameters(index = "1", paramLabel = "CANDIDATE", description = "the sound to compare")
    private @Nullable Path candidate;

    @Mixin
    private RegionOptions regions = new RegionOptions();

    @Option(names = "--json", description = "print one JSON document")
    private boolean json;

    @Override
    public Integer call() {
        Sound a = regions.reference(Objects.requireNonNull(reference)).atRate(Sound.WORKING_RATE_HZ);
        Sound b = regions.take(Objects.requireNonNull(candidate)).atRate(Sound.WORKING_RATE_HZ);
        Evidence wanted = Examination.of(a, Progress.NONE);
        Evidence has = Examination.of(b, Progress.NONE);
        GapLedger gap = GapLedger.between(wanted, has);
        Verdict verdict = Verdict.between(wanted, has, gap);
        if (json) {
            System.out.println(Json.text(DerivationJson.gap(gap, verdict)));
        } else {
            System.out.println(verdict.words());
            print(gap);
        }
        return 0;
    }

    static void print(GapLedger gap) {
        System.out.printf("spectrum %.1f dB RMS, largest difference of the gear %.1f JND%n", gap.spectrumRmsDb(),
                gap.scoreJnd());
        for (GapRow r : gap.rows()) {
            String what = r.audibility() < 1 ? "below hearing" : r.advice();
            System.out.printf("%5.1f JND  %-22s %8.2f -> %8.2f %-11s %s%n", r.audibility(), r.attribute().words(),
                    r.reference(), r.candidate(), r.unit(), what);
        }
    }
}
