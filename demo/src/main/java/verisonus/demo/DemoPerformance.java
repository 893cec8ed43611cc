package verisonus.demo;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.PerformanceJson;
import verisonus.casebook.exchange.VariantJson;
import verisonus.casebook.store.PerformShelf;
import verisonus.core.perform.VariantGoal;
import verisonus.core.perform.VariantSolver;
import verisonus.core.perform.foot.FootLimits;
import verisonus.core.perform.foot.PedalRange;
import verisonus.core.perform.foot.PedalRangeFinder;
import verisonus.core.perform.foot.PedalUse;
import verisonus.core.perform.song.Section;
import verisonus.core.perform.song.SongMap;
import verisonus.core.perform.song.SwitchWay;
import verisonus.core.perform.time.TempoBinding;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/** How the pit guitarist plays the derived tones in the radio play: variants by goal, the ridden echo on a pedal, the scene's song. */
final class DemoPerformance {
    /** Variants by name with their goals, in the order in which the scenes need them. */
    private static final Map<Recipe, List<Map.Entry<String, VariantGoal>>> VARIANTS = Map.of(
            Recipe.GLASS_HARBOUR, List.of(
                    Map.entry("under the narrator", VariantGoal.NOTHING.louder(-6)),
                    Map.entry("answer", VariantGoal.NOTHING.louder(2).repeating(4))),
            Recipe.WINTER_KIOSK, List.of(
                    Map.entry("lead", VariantGoal.NOTHING.louder(3)),
                    Map.entry("clean", VariantGoal.NOTHING.louder(0).dirtier(-0.35))),
            Recipe.SLOW_COMET, List.of(
                    Map.entry("rhythm", VariantGoal.NOTHING.louder(-3).dirtier(-0.06).repeating(-5)),
                    Map.entry("last words", VariantGoal.NOTHING.louder(-1).repeating(4))));
    private static final double SLOW_COMET_BPM = 76;

    private DemoPerformance() {}

    /** What ships for a case, solved on its take. */
    static String document(Recipe recipe, Tone tone, Sound di) {
        ObjectNode out = Json.object();
        ArrayNode variants = out.putArray("variants");
        List<Map.Entry<String, VariantGoal>> goals = VARIANTS.getOrDefault(recipe, List.of());
        if (goals.isEmpty()) return Json.text(out);
        VariantSolver solver = new VariantSolver(tone, di, Optional.empty(), Optional.empty());
        for (Map.Entry<String, VariantGoal> g : goals)
            variants.add(VariantJson.write(solver.solved(g.getKey(), g.getValue(), Progress.NONE).variant()));
        if (recipe == Recipe.SLOW_COMET) {
            tone.first(GearKind.ECHO).ifPresent(echo -> {
                PedalRange r = new PedalRangeFinder(tone, di, FootLimits.USUAL)
                        .of(ControlPlace.of(echo, ControlNames.MIX), Progress.NONE);
                if (r.isUseful())
                    out.set("pedal", PerformanceJson.write(new PedalUse("echo pedal", r.place(), r.low(), r.high())));
            });
            out.set("tempo", PerformanceJson.write(new PerformanceJson.Tempo(SLOW_COMET_BPM,
                    TempoBinding.suggested(tone, SLOW_COMET_BPM))));
            out.set("song", PerformanceJson.write(lastScene()));
        }
        return Json.text(out);
    }

    /** The last scene as the script has it. */
    private static PerformanceJson.Song lastScene() {
        List<SongMap.Part> parts = new ArrayList<>();
        double at = 0;
        String[][] scene = {{"curtain", "12.6", ""}, {"dialogue", "37.9", "rhythm"}, {"comet", "25.3", ""},
                {"dialogue again", "25.3", "rhythm"}, {"farewell", "18.9", "last words"}};
        for (String[] s : scene) {
            double length = Double.parseDouble(s[1]);
            parts.add(new SongMap.Part(new Section(s[0], at, at + length), s[2]));
            at += length;
        }
        return new PerformanceJson.Song(parts, SwitchWay.FLOOR_UNIT);
    }

    static void keep(PerformShelf shelf, long caseId, JsonNode shipped) {
        for (JsonNode v : shipped.path("variants")) shelf.keep(caseId, VariantJson.read("demo", v));
        if (shipped.has("tempo")) shelf.keep(caseId, PerformanceJson.tempo("demo", shipped.get("tempo")));
        if (shipped.has("pedal")) shelf.keep(caseId, PerformanceJson.pedal("demo", shipped.get("pedal")));
        if (shipped.has("song")) shelf.keep(caseId, PerformanceJson.song("demo", shipped.get("song")));
    }
}
