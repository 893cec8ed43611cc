package verisonus.cli.perform;

import java.util.List;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.JsonOption;
import verisonus.core.perform.device.Transparency;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/** What a drive leaves of the amp's own sound. */
@Command(name = "transparency", mixinStandardHelpOptions = true, description = "What a drive leaves of the amp's own sound: against the amp's own gain, at as much dirt and as loud.")
public final class TransparencyCommand extends CommonOptions implements Callable<Integer> {
    @Mixin
    private ToneWithTake played = new ToneWithTake();

    @Option(names = "--drive", paramLabel = "ID", description = "which block (default: the first drive that is on)")
    private @Nullable String drive;

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        Tone tone = played.tone();
        String id = drive != null ? drive : first(tone);
        Sound phrase = played.take();
        Transparency t = Transparency.of(tone, id, phrase);
        if (json.asked()) {
            ObjectNode doc = Json.object("verisonus.transparency/1").put("drive", t.drive()).put("gain_at",
                    t.gainAt().toString());
            Json.put(doc, "gain", t.gain(), 2);
            doc.put("amp_reaches_it", t.equal());
            Json.put(doc, "dirt_with", t.dirtWith(), 3);
            Json.put(doc, "dirt_without", t.dirtWithout(), 3);
            Json.put(doc, "left_jnd", t.heard().jnd(), 2);
            Json.put(doc, "colour_db", t.heard().colourDb(), 2);
            Json.put(doc, "course_db", t.heard().courseDb(), 2);
            ObjectNode bands = doc.putObject("bands_db");
            for (Transparency.Band b : t.bandsDb()) Json.put(bands, b.band().words(), b.changeDb(), 2);
            json.print(doc);
        } else {
            System.out.println(Figures.of("%s: %s", t.drive(), t.words()));
        }
        return 0;
    }

    private String first(Tone tone) {
        List<Block> drives = tone.blocks().stream().filter(b -> b.on() && b.model().kind() == GearKind.DRIVE).toList();
        if (drives.isEmpty())
            throw new InputFault(played.toneFile().toString(), "it has no drive that is on",
                    "switch one on, or put one in");
        return drives.getFirst().id();
    }
}
