package verisonus.cli.perform;

import java.nio.file.Path;
import java.util.ArrayList;
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
import verisonus.casebook.exchange.ToneJson;
import verisonus.cli.files.AudioInput;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.ToneInput;
import verisonus.cli.files.VerboseOption;
import verisonus.core.perform.device.Platform;
import verisonus.core.rig.Tone;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;

@Command(name = "platform", mixinStandardHelpOptions = true, description = {
        "One amp setting under several pedals: the one under which the worst of several tones stays nearest to itself.",
        "Each tone's pedal is turned until it is as dirty and as loud as before."})
public final class PlatformCommand extends VerboseOption implements Callable<Integer> {
    @Option(names = "--tone", required = true, paramLabel = "TONE.json", description = "a tone with an amp and a pedal; two or more")
    private List<Path> tones = new ArrayList<>();

    @Option(names = "--di", required = true, paramLabel = "DI", description = "dry phrase of your own")
    private @Nullable Path di;

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        List<Tone> read = tones.stream().map(ToneInput::tone).toList();
        Platform p = Platform.of(read, AudioInput.studied(Objects.requireNonNull(di), 0, null).sound(), Progress.NONE);
        if (json.asked()) {
            json.print(document(p));
            return 0;
        }
        System.out.println(p.model().name() + ": " + String.join(", ", p.amp().entrySet().stream().sorted(
                java.util.Map.Entry.comparingByKey()).map(e -> Figures.of("%s %.1f", e.getKey(), e.getValue()))
                .toList()));
        for (Platform.Under u : p.under()) System.out.println(Figures.of("  %s: %s", u.name(), u.words()));
        return 0;
    }

    private static ObjectNode document(Platform p) {
        ObjectNode out = Json.object("verisonus.platform/1").put("amp", p.model().name());
        ObjectNode settings = out.putObject("settings");
        p.amp().forEach((c, v) -> Json.put(settings, c, v, 2));
        Json.put(out, "worst_jnd", p.worstJnd(), 2);
        ArrayNode under = out.putArray("tones");
        for (Platform.Under u : p.under()) {
            ObjectNode n = under.addObject().put("name", u.name());
            Json.put(n, "gap_jnd", u.gapJnd(), 2);
            Json.put(n, "breaks_up_db", u.breakUpDb(), 1);
            Json.put(n, "out_per_in", u.outPerIn(), 2);
            n.set("tone", ToneJson.write(u.tone()));
        }
        return out;
    }
}
