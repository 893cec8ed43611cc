package verisonus.cli;

import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.GapAttributeConverter;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.RegionOptions;
import verisonus.cli.files.ToneInput;
import verisonus.core.advise.Move;
import verisonus.core.advise.NextMoves;
import verisonus.core.advise.SaidWord;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.evidence.guided.ThroughOthers;
import verisonus.core.evidence.words.Word;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.ToneEvidence;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.MatchedTake;
import verisonus.core.take.Pairing;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

@Command(name = "moves", mixinStandardHelpOptions = true, description = "What to turn next: the moves that bring a tone nearer to a reference, or that a word asks for.")
final class MovesCommand extends CommonOptions implements Callable<Integer> {
    @Option(names = "--reference", required = true, paramLabel = "REF", description = "recording with the wanted sound")
    private @Nullable Path reference;

    @Option(names = "--di", required = true, paramLabel = "DI", description = "dry guitar")
    private @Nullable Path di;

    @Mixin
    private RegionOptions regions = new RegionOptions();

    @Option(names = "--tone", required = true, paramLabel = "TONE.json", description = "the tone as it is")
    private @Nullable Path tone;

    @Option(names = "--rig", paramLabel = "RIG.json", description = "only this gear")
    private @Nullable Path rig;

    @Option(names = "--word", paramLabel = "WORDS", description = "\"too boxy\", \"needs air\": moves that help most and harm least")
    private @Nullable String word;

    @Option(names = "--wanted-so", paramLabel = "ATTRIBUTE", converter = GapAttributeConverter.class, description = "a difference that is wanted; again for more")
    private List<GapAttribute> wantedSo = new java.util.ArrayList<>();

    @Option(names = "--out", paramLabel = "TONE.json", description = "makes the best move, verifies it, writes the tone")
    private @Nullable Path out;

    @Mixin
    private final JsonOption json = new JsonOption();

    @Mixin
    private final ForceOption force = new ForceOption();

    @Override
    public Integer call() {
        Optional<OutputFile> target = Optional.ofNullable(out).map(o -> force.to(o));
        target.ifPresent(OutputFile::check);
        Optional<SaidWord> said = Optional.ofNullable(word).map(w -> SaidWord.find(w, Word.shipped())
                .orElseThrow(
                        () -> new InputFault(w, "no known word is in it", "say \"too …\" or \"needs …\" with one of "
                                + String.join(", ", SaidWord.names(Word.shipped())))));
        Tone t = ToneInput.tone(Objects.requireNonNull(tone));
        Rig gear = ToneInput.rig(rig);
        Sound ref = regions.reference(Objects.requireNonNull(reference)).atRate(Sound.WORKING_RATE_HZ);
        MatchedTake take = MatchedTake.of(ref, regions.take(Objects.requireNonNull(di)), regions.takeAtS(),
                NextMoves.LONGEST_S);
        ToneEvidence evidence = ToneEvidence.of(take, Progress.NONE);
        if (ThroughOthers.areThere(evidence.wanted()))
            System.err.println("verisonus: others play with the guitar: " + (take.pairing() == Pairing.PLAYED_AGAIN
                    ? "its colour was read through them, by the take"
                    : evidence.wanted().spectrum().isTrusted()
                            ? "the colour is that of all that sounds; a take of the phrase played again would tell the guitar's"
                            : "nothing of its sound can be told from theirs; a take of the phrase played again would tell it"));
        return ToneInput.shared(workers -> {
            NextMoves next = new NextMoves(new NextMoves.Question(evidence, take.sound(), t, gear, Locks.NONE,
                    Set.copyOf(wantedSo)), workers, Progress.NONE);
            List<Move> moves = said.map(s -> next.towards(s.word(), s.more(), Progress.NONE))
                    .orElseGet(() -> next.best(Progress.NONE));
            Optional<Double> verified = Optional.empty();
            if (target.isPresent() && !moves.isEmpty()) {
                double gain = next.gap().distanceJnd() - measured(evidence, moves.get(0).tone(), take.sound());
                verified = Optional.of(gain);
                if (gain > 0 || said.isPresent()) {
                    target.get().write(Json.text(ToneJson.write(moves.get(0).tone())).getBytes(StandardCharsets.UTF_8));
                }
            }
            if (json.asked()) {
                json.print(written(next.gap(), moves, gear, verified));
            } else {
                print(next.gap(), moves, gear, verified);
            }
            return 0;
        });
    }

    private double measured(ToneEvidence evidence, Tone t, Sound take) {
        Sound mine = Renderer.render(t, take, Quality.FINAL, Progress.NONE);
        return evidence.gap(evidence.heard(t, mine, Progress.NONE))
                .wanting(Set.copyOf(wantedSo)).distanceJnd();
    }

    private static ObjectNode written(GapLedger gap, List<Move> moves, Rig gear, Optional<Double> verified) {
        ObjectNode doc = Json.object("verisonus.moves/1");
        Json.put(doc, "distance_jnd", gap.distanceJnd(), 2);
        ArrayNode list = doc.putArray("moves");
        for (Move m : moves) {
            ObjectNode node = list.addObject().put("what", m.words(gear));
            Json.put(node, "gain_jnd", m.gainJnd(), 2);
            ArrayNode turned = node.putArray("turned");
            for (Move.Turn u : m.turned()) {
                ObjectNode one = turned.addObject().put("block", u.block()).put("control", u.control());
                Json.put(one, "from", u.from(), 2);
                Json.put(one, "to", u.to(), 2);
            }
        }
        verified.ifPresent(v -> Json.put(doc, "verified_gain_jnd", v, 2));
        return doc;
    }

    private static void print(GapLedger gap, List<Move> moves, Rig gear, Optional<Double> verified) {
        if (gap.isMeasured()) System.out.printf(Locale.ROOT, "all differences together %.1f JND%n", gap.distanceJnd());
        if (moves.isEmpty()) System.out.println("no single move would bring it nearer");
        for (Move m : moves) System.out.printf(Locale.ROOT, "%+6.2f JND  %s%n", -m.gainJnd(), m.words(gear));
        verified.ifPresent(v -> System.out.printf(Locale.ROOT, v > 0
                ? "made the first: %.2f JND nearer, measured%n"
                : "the first would make it worse by %.2f JND, measured: left as it was%n", Math.abs(v)));
    }
}
