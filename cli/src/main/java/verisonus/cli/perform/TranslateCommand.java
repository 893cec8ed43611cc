package verisonus.cli.perform;

import java.nio.file.Path;
import java.util.Locale;
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
import verisonus.casebook.exchange.ToneJson;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.ForceOption;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.OutputFile;
import verisonus.cli.files.ToneInput;
import verisonus.core.perform.device.Translation;
import verisonus.core.perform.device.Translator;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Rig;
import verisonus.core.work.Progress;

/** The same tone on another device. */
@Command(name = "translate", mixinStandardHelpOptions = true, description = "The same tone on another device: nearest models by what they do to it, what has to go, and everything turned until it is near.")
public final class TranslateCommand extends CommonOptions implements Callable<Integer> {
    @Mixin
    private ToneWithTake played = new ToneWithTake();

    @Option(names = "--device", required = true, paramLabel = "RIG.json", description = "what the device holds, its limits and scales")
    private @Nullable Path device;

    @Option(names = "--out", paramLabel = "TONE.json", description = "write the tone for the device")
    private @Nullable Path out;

    @Mixin
    private final ForceOption force = new ForceOption();

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        Rig rig = ToneInput.rig(Objects.requireNonNull(device));
        Optional<OutputFile> target = Optional.ofNullable(out)
                .map(p -> force.to(p).besides(played.toneFile(), device));
        target.ifPresent(OutputFile::check);
        Translation t = new Translator(played.tone(), played.take(), rig).translated(Progress.NONE);
        target.ifPresent(f -> f.write(Json.text(ToneJson.write(t.tone()))));
        if (json.asked()) {
            ObjectNode doc = Json.object("verisonus.translate/1");
            Json.put(doc, "gap_jnd", t.gapJnd(), 2);
            Json.put(doc, "merely_carried_over_jnd", t.merelyJnd(), 2);
            ArrayNode changes = doc.putArray("changes");
            for (Translation.Change c : t.changes())
                Json.put(changes.addObject().put("block", c.block()).put("what", c.words()), "price_jnd", c.priceJnd(),
                        2);
            doc.set("tone", ToneJson.write(t.tone()));
            json.print(doc);
            return 0;
        }
        for (Translation.Change c : t.changes())
            System.out.printf(Locale.ROOT, "%-14s %s (%.1f JND)%n", c.block(), c.words(), c.priceJnd());
        System.out.printf(Locale.ROOT, "%.1f JND from the tone, settings merely carried over: %.1f%n", t.gapJnd(), t
                .merelyJnd());
        for (Block b : t.tone().blocks()) {
            System.out.println(b.id() + ": " + b.model().name());
            for (Control c : b.model().turnable())
                if (!c.rare() || b.settings().containsKey(c.name()))
                    System.out.printf("    %-24s %s%n", rig.label(b, c.name()),
                            rig.display(b.model(), c, b.get(c.name())));
        }
        return 0;
    }
}
