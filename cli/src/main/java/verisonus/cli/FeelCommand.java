package verisonus.cli;

import java.nio.file.Path;
import java.util.List;
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
import verisonus.casebook.exchange.DerivationJson;
import verisonus.casebook.exchange.Json;
import verisonus.cli.files.CommonOptions;
import verisonus.cli.files.JsonOption;
import verisonus.cli.files.RegionOptions;
import verisonus.cli.files.ToneInput;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.evidence.Examination;
import verisonus.core.feel.Feel;
import verisonus.core.feel.SaturationShift;
import verisonus.core.feel.TouchCurve;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.StageSaturation;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.MatchedTake;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;

@Command(name = "feel", mixinStandardHelpOptions = true, description = "How a tone answers the fingers: touch curve, where its dirt is made, ways to make it elsewhere.")
final class FeelCommand extends CommonOptions implements Callable<Integer> {
    private static final double SOFT_DB = -18;

    @Option(names = "--tone", required = true, paramLabel = "TONE.json", description = "the tone")
    private @Nullable Path tone;

    @Option(names = "--di", required = true, paramLabel = "DI", description = "dry guitar, for how hard you play")
    private @Nullable Path di;

    @Option(names = "--reference", paramLabel = "REF", description = "compares the feel with this recording too")
    private @Nullable Path reference;

    @Mixin
    private RegionOptions regions = new RegionOptions();

    @Mixin
    private final JsonOption json = new JsonOption();

    @Override
    public Integer call() {
        Tone t = ToneInput.tone(Objects.requireNonNull(tone));
        Sound take = regions.take(Objects.requireNonNull(di)).atRate(Sound.WORKING_RATE_HZ);
        TouchCurve touch = TouchCurve.of(t, take.peak());
        StageSaturation soft = StageSaturation.of(t, take, SOFT_DB);
        StageSaturation hard = StageSaturation.of(t, take, 0);
        List<SaturationShift.Shift> shifts = new SaturationShift(take).of(t);
        Optional<Feel> feel = Optional.ofNullable(reference).map(r -> compared(regions.reference(r), take, t, touch));
        if (json.asked()) {
            json.print(written(touch, soft, hard, shifts, feel));
        } else {
            print(touch, soft, hard, shifts, feel);
        }
        return 0;
    }

    private Feel compared(Sound ref, Sound di, Tone t, TouchCurve touch) {
        Sound wanted = ref.atRate(Sound.WORKING_RATE_HZ);
        MatchedTake take = MatchedTake.of(wanted, di, regions.takeAtS());
        Sound mine = Renderer.render(t, take.sound(), Quality.FINAL, Progress.NONE);
        return Feel.of(new Feel.Heard(Examination.of(wanted, Examination.Depth.STEADY, Progress.NONE), wanted,
                Examination.of(mine, Examination.Depth.TONE, Progress.NONE), mine,
                take.same() ? Optional.of(take.sound()) : Optional.empty()), touch);
    }

    private static ObjectNode written(TouchCurve touch, StageSaturation soft, StageSaturation hard,
            List<SaturationShift.Shift> shifts,
            Optional<Feel> feel) {
        ObjectNode doc = Json.object("verisonus.feel/1");
        ArrayNode curve = doc.putArray("touch");
        for (TouchCurve.Point p : touch.points()) {
            ObjectNode node = curve.addObject();
            Json.put(node, "in_db", p.inDb(), 1);
            Json.put(node, "out_db", p.outDb(), 2);
            Json.put(node, "dirt", p.dirt(), 3);
        }
        if (touch.breakUpDb().isPresent()) {
            Json.put(doc, "break_up_db", touch.breakUpDb().getAsDouble(), 1);
        } else {
            doc.putNull("break_up_db");
        }
        Json.put(doc, "out_per_in", touch.outPerIn(), 2);
        Json.put(doc, "droop_db", touch.droopDb(), 2);
        Json.put(doc, "recovery_ms", touch.recoveryMs(), 0);
        stages(doc.putArray("dirt_soft"), soft);
        stages(doc.putArray("dirt_hard"), hard);
        ArrayNode ways = doc.putArray("shifts");
        for (SaturationShift.Shift s : shifts)
            stages(ways.addObject().put("what", s.words()).putArray("dirt_hard"), s.dirt());
        feel.ifPresent(f -> {
            doc.set("against_reference", DerivationJson.gap(new GapLedger(f.rows(), 0)).get("rows"));
            if (!f.uncompared().isEmpty()) doc.put("uncompared", f.uncompared());
        });
        return doc;
    }

    private static void stages(ArrayNode into, StageSaturation dirt) {
        for (StageSaturation.Stage s : dirt.stages()) {
            ObjectNode node = into.addObject().put("block", s.block()).put("stage", s.name());
            Json.put(node, "added", s.added(), 3);
            Json.put(node, "share", s.share(), 2);
        }
    }

    private static void print(TouchCurve touch, StageSaturation soft, StageSaturation hard,
            List<SaturationShift.Shift> shifts,
            Optional<Feel> feel) {
        System.out.println(touch.words());
        for (TouchCurve.Point p : touch.points())
            System.out.printf(Locale.ROOT, "  %4.0f dB in  %6.1f dB out  dirt %s%n", p.inDb(), p.outDb(),
                    p.dirt().isPresent()
                            ? Figures.of("%3.0f %%", 100 * p.dirt().getAsDouble())
                            : "cannot be told: too little comes out");
        for (int i = 0; i < hard.stages().size(); i++) {
            StageSaturation.Stage h = hard.stages().get(i);
            System.out.printf(Locale.ROOT, "%s, %s: %.0f %% of the dirt when played softly, %.0f %% when hard%n",
                    h.block(), h.name(), 100 * soft.stages().get(i).share(), 100 * h.share());
        }
        for (SaturationShift.Shift s : shifts) System.out.println("the same amount elsewhere: " + s.words());
        feel.ifPresent(f -> {
            if (!f.uncompared().isEmpty()) System.out.println("not compared with the recording: " + f.uncompared());
            for (GapRow r : f.rows())
                System.out.printf(Locale.ROOT, "%5.1f JND  %-30s %8.2f -> %8.2f %-9s %s%n", r.audibility(),
                        r.attribute().words(), r.reference(), r.candidate(), r.unit(),
                        r.audibility() < 1 ? "" : r.advice());
        });
    }
}
