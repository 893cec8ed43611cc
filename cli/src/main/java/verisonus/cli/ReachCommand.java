package verisonus.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.RegionOptions;
import verisonus.cli.files.ToneInput;
import verisonus.core.advise.Reach;
import verisonus.core.evidence.Evidence;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.ToneEvidence;
import verisonus.core.sound.Sound;
import verisonus.core.take.MatchedTake;
import verisonus.core.work.Progress;

@Command(name = "reach", mixinStandardHelpOptions = true, description = "What a rig cannot reach of a reference, and which gear would close how much of it.")
final class ReachCommand extends CommonOptions implements Callable<Integer> {
    @Option(names = "--reference", required = true, paramLabel = "REF", description = "recording with the wanted sound")
    private @Nullable Path reference;

    @Option(names = "--di", required = true, paramLabel = "DI", description = "dry guitar")
    private @Nullable Path di;

    @Mixin
    private RegionOptions regions = new RegionOptions();

    @Option(names = "--tone", required = true, paramLabel = "TONE.json", description = "the best tone of the rig")
    private @Nullable Path tone;

    @Option(names = "--rig", required = true, paramLabel = "RIG.json", description = "the gear that is owned")
    private @Nullable Path rig;

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        Tone t = ToneInput.tone(Objects.requireNonNull(tone));
        Rig gear = ToneInput.rig(rig);
        Sound ref = regions.reference(Objects.requireNonNull(reference)).atRate(Sound.WORKING_RATE_HZ);
        Sound played = regions.take(Objects.requireNonNull(di));
        MatchedTake take = MatchedTake.of(ref, played, regions.takeAtS(), Reach.LONGEST_S);
        Evidence evidence = ToneEvidence.everything(take, Progress.NONE);
        List<Reach.Unreached> found = ToneInput.shared(workers -> new Reach(evidence, take, t, gear, workers)
                .of(Progress.NONE));
        if (json.asked()) {
            ObjectNode doc = Json.object("verisonus.reach/1");
            ArrayNode list = doc.putArray("unreached");
            for (Reach.Unreached u : found) {
                ObjectNode node = list.addObject().put("attribute", u.attribute().words());
                Json.put(node, "off_jnd", u.offJnd(), 2);
                u.gear().ifPresentOrElse(m -> node.put("gear", m.name()), () -> node.putNull("gear"));
                Json.put(node, "gain_jnd", u.gainJnd(), 2);
            }
            json.print(doc);
            return 0;
        }
        if (found.isEmpty()) System.out.println("everything that would be heard is within this rig's reach");
        found.forEach(u -> System.out.println(u.words()));
        return 0;
    }
}
