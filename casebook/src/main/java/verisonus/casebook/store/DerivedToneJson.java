package verisonus.casebook.store;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.rig.Tone;
import verisonus.core.search.Alternative;
import verisonus.core.search.Tie;
import verisonus.core.search.Tolerance;

/** Derived tones as the casebook keeps them: lossless, unlike the rounded documents for others. */
public final class DerivedToneJson {
    private DerivedToneJson() {}

    public static String write(DerivedTone d) {
        ObjectNode out = Json.object();
        out.set("tone", ToneJson.write(d.tone()));
        d.earlier().ifPresent(t -> out.set("earlier", ToneJson.write(t)));
        ArrayNode locked = out.putArray("locked");
        d.locked().stream().sorted().forEach(locked::add);
        list(out.putArray("tolerances"), d.tolerances());
        list(out.putArray("alternatives"), d.alternatives());
        list(out.putArray("gap"), d.gap().rows());
        out.put("spectrumRmsDb", d.gap().spectrumRmsDb());
        ArrayNode wanted = out.putArray("wantedSo");
        d.gap().wantedSo().stream().sorted().forEach(wanted::add);
        out.set("search", Json.tree(d.search()));
        Remarks r = d.remarks();
        ObjectNode remarks = out.putObject("remarks").put("goal", r.goal().stored()).put("start", r.start()).put(
                "enough", r.enough());
        list(remarks.putArray("ties"), r.ties());
        ArrayNode changed = remarks.putArray("changed");
        r.changed().forEach(changed::add);
        return Json.text(out);
    }

    private static void list(ArrayNode into, List<?> values) {
        values.forEach(v -> into.add(Json.tree(v)));
    }

    public static DerivedTone read(String name, String text) {
        JsonNode in = Json.parse(name, text);
        Optional<Tone> earlier = Optional.ofNullable(in.get("earlier")).map(t -> ToneJson.read(name, t));
        Set<String> locked = new HashSet<>();
        for (JsonNode l : in.path("locked")) locked.add(l.asString());
        GapLedger gap = new GapLedger(list(name, in.path("gap"), GapRow.class), in.path("spectrumRmsDb").asDouble(),
                Set.copyOf(words(in.path("wantedSo"))));
        return new DerivedTone(ToneJson.read(name, in.path("tone")), earlier, locked,
                list(name, in.path("tolerances"), Tolerance.class),
                list(name, in.path("alternatives"), Alternative.class), gap,
                Json.value(name, in.path("search"), DerivedTone.Search.class), remarks(name, in.path("remarks")));
    }

    /** Tones kept before there were remarks have none. */
    private static Remarks remarks(String name, JsonNode in) {
        return new Remarks(Goal.of(in.path("goal").asString("")), list(name, in.path("ties"), Tie.class),
                in.path("start").asString(""), words(in.path("changed")), in.path("enough").asString(""));
    }

    private static List<String> words(JsonNode array) {
        List<String> out = new ArrayList<>();
        for (JsonNode n : array) out.add(n.asString());
        return out;
    }

    private static <T> List<T> list(String name, JsonNode array, Class<T> type) {
        List<T> out = new ArrayList<>();
        for (JsonNode n : array) out.add(Json.value(name, n, type));
        return out;
    }
}
