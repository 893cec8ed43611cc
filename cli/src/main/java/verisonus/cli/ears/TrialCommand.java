package verisonus.cli.ears;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.SecureRandom;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import verisonus.casebook.exchange.BlindTrialJson;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.TerminalPlayer;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.evidence.Examination;
import verisonus.core.sound.Sound;
import verisonus.core.sound.codec.SoundWriter;
import verisonus.core.trial.blind.BlindTrial;
import verisonus.core.trial.blind.MatchedPassages;
import verisonus.core.trial.blind.StoppingRule;
import verisonus.core.trial.blind.TrialForm;
import verisonus.core.trial.blind.TrialResult;
import verisonus.core.trial.open.Bed;
import verisonus.core.trial.open.InTheMix;
import verisonus.core.work.Cancelled;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.OutputFault;
import verisonus.core.work.Progress;

/** A blind trial in the terminal. */
@Command(name = "trial", mixinStandardHelpOptions = true, description = {
        "Can two sounds be told apart? Blind, as loud as each other, in an order sealed before the first answer.",
        "Keys, each followed by Enter: a, b and x play; y says X (or the first) is A, n says it is B."})
public final class TrialCommand extends CommonOptions implements Callable<Integer> {
    @Parameters(index = "0", paramLabel = "A", description = "the record")
    private @Nullable Path record;

    @Parameters(index = "1", paramLabel = "B", description = "the candidate")
    private @Nullable Path candidate;

    @Option(names = "--trials", paramLabel = "N", description = "answers at the most, 5 to 100 (default: 12)")
    private int trials = 12;

    @Option(names = "--form", paramLabel = "abx|record", description = "is X A or B? or: which of two is A? (default: abx)")
    private TrialForm form = TrialForm.ABX;

    @Option(names = "--sequential", description = "may end as soon as the answers decide")
    private boolean sequential;

    @Option(names = "--in-mix", paramLabel = "BACKING", description = "the candidate is heard with this round it")
    private @Nullable Path backing;

    @Option(names = "--bed", paramLabel = "BPM", description = "both are heard over a made bed of bass and drums of this tempo")
    private @Nullable Double bed;

    @Option(names = "--seed", paramLabel = "N", description = "what the order is drawn from (default: drawn itself)")
    private @Nullable Long seed;

    @Option(names = "--write", paramLabel = "DIR", description = "write what is to be heard as files instead of playing it")
    private @Nullable Path folder;

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        if (backing != null && bed != null)
            throw new InputFault("--in-mix and --bed", "both put something round the guitar", "give one of them");
        if (trials < StoppingRule.FEWEST || trials > StoppingRule.MOST)
            throw new InputFault("--trials " + trials, "it is not 5 to 100", "ten or more tell something");
        Sound a = AudioInput.read(Objects.requireNonNull(record));
        Sound b = AudioInput.read(Objects.requireNonNull(candidate));
        MatchedPassages p = passages(a, b);
        BlindTrial t = BlindTrial.begin(form, new StoppingRule(trials, sequential),
                seed == null ? new SecureRandom().nextLong() : seed);
        System.err.println("verisonus: sealed " + t.order().seal() + "; " + t.rule().words() + ". "
                + t.rule().powerWords());
        try (Heard heard = folder == null ? new Played() : new Written(folder, p, t)) {
            t = asked(t, p, heard);
        } catch (IOException e) {
            throw new OutputFault(String.valueOf(folder), "it cannot be written", "choose another folder");
        }
        List<String> gaveAway = t.result().filter(TrialResult::toldApart).isPresent() ? differences(p) : List.of();
        if (json.asked()) {
            json.print(BlindTrialJson.result(t, gaveAway));
        } else {
            System.out.println(t.result().orElseThrow().words());
            if (!gaveAway.isEmpty()) System.out.println("what may have given it away: " + String.join(", ", gaveAway));
            System.out.println("seed " + t.order().seed() + ": SHA-256 of \"" + form.id() + " " + trials + " "
                    + t.order().seed() + "\" is the seal");
        }
        return 0;
    }

    private MatchedPassages passages(Sound a, Sound b) {
        if (backing != null) {
            Sound band = AudioInput.read(backing);
            return MatchedPassages.of(a, InTheMix.of(InTheMix.asInTheRecord(b, band, a), band, 0));
        }
        if (bed == null) return MatchedPassages.of(a, b);
        // As loud as each other first, then the same bed under both.
        MatchedPassages alone = MatchedPassages.of(a, b);
        Sound under = new Bed(bed, 0).under(alone.first());
        return MatchedPassages.of(InTheMix.of(alone.first(), under, 0), InTheMix.of(alone.second(), under, 0));
    }

    private static List<String> differences(MatchedPassages p) {
        return GapLedger.between(Examination.of(p.first(), Progress.NONE), Examination.of(p.second(), Progress.NONE))
                .rows().stream().filter(r -> r.audibility() >= 1)
                .sorted((x, y) -> Double.compare(y.audibility(), x.audibility())).limit(3)
                .map(TrialCommand::words).toList();
    }

    private static String words(GapRow r) {
        return Figures.of("%s (%.1f JND)",
                r.attribute().isBand() ? r.attribute().playersWords() : r.attribute().words(), r.audibility());
    }

    private static BlindTrial asked(BlindTrial begun, MatchedPassages p, Heard heard) throws IOException {
        BufferedReader in = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8));
        BlindTrial t = begun;
        while (!t.isEnded()) {
            boolean abx = t.order().form() == TrialForm.ABX;
            System.err.print("\n" + (t.of() + 1) + " of " + t.rule().most() + ", " + t.order().form().words() + " ["
                    + (abx ? "a b x" : "a b") + ", y n] ");
            String key = Optional.ofNullable(in.readLine()).map(k -> k.strip().toLowerCase(Locale.ROOT))
                    .orElseThrow(Cancelled::new);
            boolean recordFirst = abx || t.isRecordNext();
            switch (key) {
                case "a" -> heard.play(recordFirst ? p.first() : p.second());
                case "b" -> heard.play(recordFirst ? p.second() : p.first());
                case "x" -> heard.play(t.isRecordNext() ? p.first() : p.second());
                case "y" -> t = t.answered(true);
                case "n" -> t = t.answered(false);
                case "q" -> throw new Cancelled();
                default -> System.err.print("a, b or x to hear, y or n to answer, q to give up");
            }
        }
        System.err.println();
        return t;
    }

    /** How the listener hears it. */
    private interface Heard extends AutoCloseable {
        void play(Sound s);

        @Override
        void close();
    }

    private static final class Played implements Heard {
        private final TerminalPlayer player = TerminalPlayer.open().orElseThrow(
                () -> new InputFault("trial", "no sound output was found, so nothing would be heard",
                        "connect one, or add --write DIR and play the files there"));

        @Override
        public void play(Sound s) {
            player.play(s);
        }

        @Override
        public void close() {
            player.close();
        }
    }

    /** All that is to be heard as files, so that any player will do; their names tell nothing. */
    private static final class Written implements Heard {
        Written(Path folder, MatchedPassages p, BlindTrial t) throws IOException {
            Files.createDirectories(folder);
            try (Stream<Path> there = Files.list(folder)) {
                if (there.anyMatch(f -> String.valueOf(f.getFileName()).endsWith(".wav")))
                    throw new OutputFault(folder.toString(), "it holds sounds already", "name another folder");
            }
            int digits = Math.max(2, String.valueOf(t.rule().most()).length());
            boolean abx = t.order().form() == TrialForm.ABX;
            if (abx) {
                write(folder.resolve("a.wav"), p.first());
                write(folder.resolve("b.wav"), p.second());
            }
            for (int i = 0; i < t.rule().most(); i++) {
                boolean record = t.order().isRecord(i);
                String number = Figures.of("%0" + digits + "d", i + 1);
                if (abx) {
                    write(folder.resolve("x" + number + ".wav"), record ? p.first() : p.second());
                } else {
                    write(folder.resolve(number + "-first.wav"), record ? p.first() : p.second());
                    write(folder.resolve(number + "-second.wav"), record ? p.second() : p.first());
                }
            }
        }

        private static void write(Path file, Sound s) {
            new OutputFile(file, false).write(SoundWriter.encode(s, SoundWriter.Format.WAV_24));
        }

        @Override
        public void play(Sound s) {
            System.err.print("it stands in the folder");
        }

        @Override
        public void close() {
            // The files stay.
        }
    }
}
