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
import verisonus.core.derive.Alternative;
import verisonus.core.derive.Tolerance;
import verisonus.core.rig.Tone;

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
        out.set("search", Json.tree(d.search()));
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
        GapLedger gap = new GapLedger(list(name, in.path("gap"), GapRow.class), in.path("spectrumRmsDb").asDouble());
        return new DerivedTone(ToneJson.read(name, in.path("tone")), earlier, locked,
                list(name, in.path("tolerances"), Tolerance.class),
                list(name, in.path("alternatives"), Alternative.class), gap,
                Json.value(name, in.path("search"), DerivedTone.Search.class));
    }

    private static <T> List<T> list(String name, JsonNode array, Class<T> type) {
        List<T> out = new ArrayList<>();
        for (JsonNode n : array) out.add(Json.value(name, n, type));
        return out;
    }
}
