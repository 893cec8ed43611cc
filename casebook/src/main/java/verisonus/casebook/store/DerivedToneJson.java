package verisonus.casebook.store;

import static java.util.stream.Collectors.toSet;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.ToneJson;
import verisonus.core.advise.Sketch;
import verisonus.core.compare.GapAttribute;
import verisonus.core.compare.GapLedger;
import verisonus.core.compare.GapRow;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Locks;
import verisonus.core.rig.SoundVersions;
import verisonus.core.rig.Tone;
import verisonus.core.search.Alternative;
import verisonus.core.search.ControlTrade;
import verisonus.core.search.Tolerance;
import verisonus.core.take.Pairing;

/** Derived tones as the casebook keeps them: lossless, unlike the rounded documents for others. */
public final class DerivedToneJson {
    private static final String VERSIONS = "versions";

    private DerivedToneJson() {}

    public static String write(DerivedTone d) {
        ObjectNode out = Json.object();
        out.set("tone", ToneJson.write(d.tone()));
        ObjectNode versions = out.putObject(VERSIONS);
        SoundVersions.of(d.tone()).forEach(versions::put);
        d.earlier().ifPresent(t -> out.set("earlier", ToneJson.write(t)));
        ArrayNode locked = out.putArray("locked");
        d.locked().places().stream().map(ControlPlace::toString).sorted().forEach(locked::add);
        list(out.putArray("tolerances"), d.tolerances());
        list(out.putArray("alternatives"), d.alternatives());
        ArrayNode gap = out.putArray("gap");
        d.gap().rows().forEach(r -> row(gap.addObject(), r));
        d.gap().spectrumRmsDb().ifPresent(db -> out.put("spectrumRmsDb", db));
        ArrayNode wanted = out.putArray("wantedSo");
        d.gap().wantedSo().stream().map(GapAttribute::words).sorted().forEach(wanted::add);
        search(out.putObject("search"), d.search());
        Remarks r = d.remarks();
        ObjectNode remarks = out.putObject("remarks").put("goal", r.goal().stored()).put("start", r.start()).put(
                "enough", r.enough());
        ArrayNode ties = remarks.putArray("ties");
        r.ties().forEach(t -> trade(ties.addObject(), t));
        ArrayNode changed = remarks.putArray("changed");
        r.changed().forEach(changed::add);
        r.missing().forEach(remarks.putArray("missing")::add);
        r.unjudged().forEach(remarks.putArray("unjudged")::add);
        r.sketch().helps().forEach(remarks.put("sketch", r.sketch().is()).putArray("helps")::add);
        return Json.text(out);
    }

    /** Models of a kept tone that sounded otherwise when it was kept; one kept before they were counted had the first of each. */
    static List<String> outdated(String name, String text) {
        JsonNode in = Json.parse(name, text);
        List<String> out = new ArrayList<>();
        SoundVersions.of(ToneJson.read(name, in.path("tone"))).forEach((model, version) -> {
            if (in.path(VERSIONS).path(model).asInt(1) != version) out.add(model);
        });
        return out;
    }

    private static void search(ObjectNode out, DerivedTone.Search s) {
        out.put("pairing", s.pairing().words()).put("performance", s.pairing().performance())
                .put("seconds", s.seconds())
                .put("candidates", s.candidates()).put("stopped", s.stopped()).put("diStartS", s.diStartS());
    }

    private static DerivedTone.Search search(JsonNode in) {
        return new DerivedTone.Search(Pairing.of(in.path("pairing").asString(""), in.path("performance").asString("")),
                in.path("seconds").asDouble(), in.path("candidates").asLong(), in.path("stopped").asString(""),
                in.path("diStartS").asDouble());
    }

    private static void row(ObjectNode out, GapRow r) {
        out.put("attribute", r.attribute().words()).put("unit", r.unit()).put("reference", r.reference())
                .put("candidate", r.candidate()).put("jnd", r.jnd()).put("stage", r.stage()).put("advice", r.advice())
                .put("ofTone", r.ofTone());
    }

    /** A row about what this program does not know of any more is left out. */
    private static Optional<GapRow> row(JsonNode in) {
        return GapAttribute.of(in.path("attribute").asString("")).map(a -> new GapRow(a, in.path("unit").asString(""),
                in.path("reference").asDouble(), in.path("candidate").asDouble(), in.path("jnd").asDouble(1),
                in.path("stage").asString(""), in.path("advice").asString(""), in.path("ofTone").asBoolean(true)));
    }

    private static void trade(ObjectNode out, ControlTrade t) {
        out.put("one", t.one().toString()).put("other", t.other().toString()).put("opposite", t.opposite())
                .put("ratio", t.ratio()).put("leftJnd", t.leftJnd());
    }

    private static ControlTrade trade(JsonNode in) {
        return new ControlTrade(ControlPlace.parse(in.path("one").asString("")),
                ControlPlace.parse(in.path("other").asString("")), in.path("opposite").asBoolean(),
                in.path("ratio").asDouble(), in.path("leftJnd").asDouble());
    }

    private static void list(ArrayNode into, List<?> values) {
        values.forEach(v -> into.add(Json.tree(v)));
    }

    public static DerivedTone read(String name, String text) {
        JsonNode in = Json.parse(name, text);
        Optional<Tone> earlier = Optional.ofNullable(in.get("earlier")).map(t -> ToneJson.read(name, t));
        Locks locked = new Locks(words(in.path("locked")).stream().map(ControlPlace::parse).collect(toSet()));
        List<GapRow> rows = new ArrayList<>();
        for (JsonNode r : in.path("gap")) row(r).ifPresent(rows::add);
        GapLedger gap = new GapLedger(rows, in.path("spectrumRmsDb").isNumber()
                ? OptionalDouble.of(in.path("spectrumRmsDb").asDouble())
                : OptionalDouble.empty(),
                words(in.path("wantedSo")).stream().flatMap(w -> GapAttribute.of(w).stream()).collect(toSet()));
        return new DerivedTone(ToneJson.read(name, in.path("tone")), earlier, locked,
                list(name, in.path("tolerances"), Tolerance.class),
                list(name, in.path("alternatives"), Alternative.class), gap,
                search(in.path("search")), remarks(in.path("remarks")));
    }

    /** Tones kept before there were remarks have none. */
    private static Remarks remarks(JsonNode in) {
        List<ControlTrade> ties = new ArrayList<>();
        for (JsonNode t : in.path("ties")) ties.add(trade(t));
        return new Remarks(Goal.of(in.path("goal").asString("")), ties,
                in.path("start").asString(""), words(in.path("changed")), in.path("enough").asString(""),
                words(in.path("missing")), words(in.path("unjudged")),
                new Sketch(in.path("sketch").asBoolean(false), words(in.path("helps"))));
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
