package verisonus.cli.ears;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
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
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.ToneInput;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.travel.MonoLoss;
import verisonus.core.trial.Candidate;
import verisonus.core.trial.layers.LayerMasking;
import verisonus.core.trial.layers.SecondChain;
import verisonus.core.trial.layers.TakesApart;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/** Several parts at once. */
@Command(name = "layers", mixinStandardHelpOptions = true, description = {
        "Several parts that play together: who hides whom and who should yield where, how far apart two takes are, what mono loses.",
        "With --second-chain: another cabinet, microphone or place for the other side, near enough to blend and far enough to widen."})
public final class LayersCommand extends CommonOptions implements Callable<Integer> {
    private static final int MOST_CHAINS = 3;

    @Parameters(arity = "1..8", paramLabel = "PART", description = "recordings that begin together, at the levels of the mix")
    private List<Path> parts = new ArrayList<>();

    @Option(names = "--takes", description = "the first two are two takes of one part, a side each")
    private boolean takes;

    @Option(names = "--second-chain", paramLabel = "TONE.json", description = "solve a second chain for this tone; the first PART is its dry take, with --takes the second one plays the other side")
    private @Nullable Path tone;

    @Option(names = "--rig", paramLabel = "RIG.json", description = "what the second chain may be made of (default: everything that is simulated)")
    private @Nullable Path rig;

    @Option(names = "--nearest", paramLabel = "DB", description = "its colour differs by this at least (default: 1.5)")
    private double nearestDb = SecondChain.Limits.USUAL.nearestDb();

    @Option(names = "--furthest", paramLabel = "DB", description = "and by this at most (default: 4)")
    private double furthestDb = SecondChain.Limits.USUAL.furthestDb();

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        List<Candidate> layers = new ArrayList<>();
        for (Path p : parts)
            layers.add(new Candidate(Objects.requireNonNull(p.getFileName()).toString(), AudioInput.read(p)));
        if (takes && layers.size() < 2)
            throw new InputFault("--takes", "there is only one recording", "give the second take after the first");
        ObjectNode out = Json.object("verisonus.layers/1");
        if (tone != null) {
            secondChain(out, layers);
        } else {
            masking(out, layers);
        }
        if (takes) takesApart(out, layers.get(0).sound(), layers.get(1).sound());
        if (json.asked()) json.print(out);
        return 0;
    }

    private void say(String line) {
        if (!json.asked()) System.out.println(line);
    }

    private void masking(ObjectNode out, List<Candidate> layers) {
        ArrayNode list = out.putArray("hidden");
        List<LayerMasking> found = LayerMasking.of(layers);
        for (LayerMasking m : found) {
            ObjectNode one = list.addObject().put("hidden", m.hidden()).put("hider", m.hider()).put("band", m.band()
                    .words());
            Json.put(one, "share", m.share(), 3);
            Json.put(one, "yield_db", m.yieldDb(), 1);
            Json.put(one, "worst_at_s", m.worstAtS(), 1);
            say(m.words());
        }
        if (found.isEmpty()) say("each can be heard beside the others");
    }

    private void takesApart(ObjectNode out, Sound first, Sound second) {
        TakesApart t = TakesApart.of(first, second);
        ObjectNode n = out.putObject("takes").put("copy", t.isCopy()).put("notes", t.notes());
        Json.put(n, "later_ms", t.laterMs(), 1);
        Json.put(n, "spread_ms", t.spreadMs(), 1);
        Json.put(n, "widest_ms", t.widestMs(), 1);
        Json.put(n, "sound_jnd", t.soundJnd(), 2);
        say(t.words());
        Sound a = first.atRate(Sound.WORKING_RATE_HZ);
        Sound b = second.atRate(Sound.WORKING_RATE_HZ).withFrames(a.frames());
        ArrayNode mono = out.putArray("mono");
        for (MonoLoss m : MonoLoss.of(Sound.stereo(a.mid(), b.mid(), a.rateHz()))) {
            Json.put(mono.addObject().put("band", m.band().words()).put("cause", m.cause().words()), "change_db", m
                    .changeDb(), 1);
            say(Figures.of("in mono the %s change by %.1f dB: %s", m.band().words(), m.changeDb(), m
                    .cause().words()));
        }
    }

    private void secondChain(ObjectNode out, List<Candidate> layers) {
        if (!(nearestDb >= 0 && furthestDb > nearestDb))
            throw new InputFault("--nearest " + nearestDb + " --furthest " + furthestDb,
                    "the nearest is not under the furthest", "give for instance 1.5 and 4");
        Tone first = ToneInput.tone(Objects.requireNonNull(tone));
        Rig owned = ToneInput.rig(rig);
        SecondChain.Limits limits = new SecondChain.Limits(nearestDb, furthestDb, SecondChain.Limits.USUAL.monoDb());
        List<SecondChain> all = SecondChain.of(first, owned, layers.getFirst().sound(),
                takes
                        ? Optional.of(layers.get(1)
                                .sound())
                        : Optional.empty(),
                limits, Progress.NONE);
        ArrayNode list = out.putArray("second_chains");
        for (SecondChain s : all.subList(0, Math.min(MOST_CHAINS, all.size()))) {
            ObjectNode one = list.addObject();
            ArrayNode changed = one.putArray("changed");
            s.changed().forEach(changed::add);
            Json.put(one, "colour_db", s.colourDb(), 2);
            Json.put(one, "mono_db", s.monoDb(), 2);
            Json.put(one, "gain_db", s.gainDb(), 2);
            one.set("tone", ToneJson.write(s.tone()));
            say(s.words());
        }
        if (all.isEmpty()) say("nothing that is owned lies within the limits");
    }
}
