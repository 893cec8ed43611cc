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
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.ToneInput;
import verisonus.core.perform.device.DriveTrim;
import verisonus.core.perform.device.Platform;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

@Command(name = "platform", mixinStandardHelpOptions = true, description = {
        "One amp setting under several pedals: the one under which the worst of several tones stays nearest to itself.",
        "Each tone's pedal is turned until it is as dirty and as loud as before.",
        "With --amp instead: how the pedal of one tone must be turned in front of other amps."})
public final class PlatformCommand extends CommonOptions implements Callable<Integer> {
    @Option(names = "--tone", required = true, paramLabel = "TONE.json", description = "a tone with an amp and a pedal; two or more, one with --amp")
    private List<Path> tones = new ArrayList<>();

    @Option(names = "--di", required = true, paramLabel = "DI", description = "dry phrase of your own")
    private @Nullable Path di;

    @Option(names = "--amp", paramLabel = "MODEL", description = "another amp for the one tone; again for more, or \"all\"")
    private List<String> amps = new ArrayList<>();

    @Option(names = "--rig", paramLabel = "RIG.json", description = "your gear: \"all\" then means the amps you own, by your own names")
    private @Nullable Path rig;

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        List<Tone> read = tones.stream().map(ToneInput::tone).toList();
        if (!amps.isEmpty()) return trims(read);
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

    private int trims(List<Tone> read) {
        if (read.size() != 1)
            throw new InputFault("--amp", "it asks for the pedal of one tone, and " + read.size() + " are named",
                    "name one tone");
        Rig gear = ToneInput.rig(rig);
        List<Model> models = amps.contains("all")
                ? rig == null ? Gear.of(GearKind.AMP) : gear.owned(GearKind.AMP)
                : amps.stream().map(name -> amp(gear, name)).toList();
        List<DriveTrim> found = DriveTrim.of(read.getFirst(), models,
                AudioInput.studied(Objects.requireNonNull(di), 0, null).sound(), Progress.NONE);
        ObjectNode doc = Json.object("verisonus.platform/1");
        ArrayNode out = doc.putArray("amps");
        for (DriveTrim d : found) {
            ObjectNode n = out.addObject().put("amp", d.amp().name());
            Json.put(n, "before_jnd", d.beforeJnd(), 2);
            Json.put(n, "after_jnd", d.afterJnd(), 2);
            n.set("tone", ToneJson.write(d.tone()));
        }
        if (json.asked()) {
            json.print(doc);
        } else {
            found.forEach(d -> System.out.println(d.words()));
        }
        return 0;
    }

    private static Model amp(Rig gear, String name) {
        return gear.find(name).filter(m -> m.kind() == GearKind.AMP).orElseThrow(
                () -> new InputFault("--amp " + name, "it names no amp", "see controls --kind amp, or say all"));
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
