package verisonus.casebook.exchange;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.rig.ControlPlace;
import verisonus.core.travel.NamedBand;
import verisonus.core.travel.trim.Trim;
import verisonus.core.travel.trim.TrimStep;
import verisonus.core.work.InputFault;

/** A trim as {@code verisonus.trim/1}: what is set, where it stood, what came of it, the trimmed tone. */
public final class TrimJson {
    private TrimJson() {}

    public static ObjectNode write(Trim t) {
        ObjectNode out = brief(t).put("schema", "verisonus.trim/1");
        ArrayNode systems = out.putArray("systems");
        t.systems().forEach(systems::add);
        ObjectNode was = out.putObject("was");
        for (TrimStep s : t.steps()) was.put(s.place().toString(), s.from());
        out.put("within_2_db", t.within2Db());
        out.set("tone", ToneJson.write(t.tone()));
        return out;
    }

    /** What is set and what comes of it. */
    public static ObjectNode brief(Trim t) {
        ObjectNode out = Json.object();
        ObjectNode settings = out.putObject("settings");
        for (TrimStep s : t.steps()) settings.put(s.place().toString(), s.to());
        ArrayNode off = out.putArray("off");
        t.off().forEach(off::add);
        Json.put(out, "before_db", t.beforeDb(), 3);
        Json.put(out, "after_db", t.afterDb(), 3);
        ArrayNode left = out.putArray("left");
        t.left().forEach(b -> left.add(b.words()));
        return out;
    }

    /** @param name stands in errors */
    public static Trim read(String name, JsonNode n) {
        try {
            List<TrimStep> steps = new ArrayList<>();
            for (Map.Entry<String, JsonNode> s : n.path("settings").properties())
                steps.add(new TrimStep(ControlPlace.parse(s.getKey()), n.path("was").path(s.getKey()).asDouble(),
                        s.getValue().asDouble()));
            return new Trim(texts(n.path("systems")), steps, texts(n.path("off")),
                    ToneJson.read(name, n.path("tone")), n.path("before_db").asDouble(), n.path("after_db").asDouble(),
                    texts(n.path("left")).stream().map(NamedBand::of).toList(), n.path("within_2_db").asInt());
        } catch (IllegalArgumentException e) {
            throw new InputFault(name, "a trim in it cannot be used (" + e.getMessage() + ")", "solve it again", e);
        }
    }

    private static List<String> texts(JsonNode array) {
        List<String> out = new ArrayList<>();
        for (JsonNode v : array) out.add(v.asString(""));
        return out;
    }
}
