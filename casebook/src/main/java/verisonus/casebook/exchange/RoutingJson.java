package verisonus.casebook.exchange;

import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.rig.Branch;
import verisonus.core.rig.Routing;
import verisonus.core.work.InputFault;

/**
 * The {@code routing} of a tone: {@code "series"} for all that stands in line, {@code {"loop": [ids]}} for what sits in the
 * amp's effects loop, {@code {"branch": name, "after": id, "before": id, "blocks": [ids], "level_db": …}} for ways beside it.
 */
final class RoutingJson {
    private RoutingJson() {}

    static void write(Routing routing, ArrayNode out) {
        out.add("series");
        if (!routing.loop().isEmpty()) routing.loop().forEach(out.addObject().putArray("loop")::add);
        for (Branch b : routing.branches()) {
            ObjectNode node = out.addObject().put("branch", b.name()).put("after", b.after()).put("before", b.before());
            b.blocks().forEach(node.putArray("blocks")::add);
            Json.put(node, "level_db", b.levelDb(), 2);
            if (b.pan() != 0) Json.put(node, "pan_percent", b.pan(), 1);
            if (b.turned()) node.put("turned", true);
        }
    }

    static Routing read(String name, JsonNode node) {
        if (node.isMissingNode() || node.isNull()) return Routing.SERIES;
        if (!node.isArray()) throw fault(name, "its routing is no list");
        List<String> loop = new ArrayList<>();
        List<Branch> branches = new ArrayList<>();
        for (JsonNode n : node) {
            if (n.isString() && n.asString().equals("series")) continue;
            if (n.has("loop")) {
                loop.addAll(ids(n.get("loop")));
            } else if (n.has("branch")) {
                try {
                    branches.add(new Branch(n.get("branch").asString(""), n.path("after").asString(Branch.INPUT),
                            n.path("before").asString(Branch.OUTPUT), ids(n.path("blocks")),
                            n.path("level_db").asDouble(0), n.path("pan_percent").asDouble(0),
                            n.path("turned").asBoolean(false)));
                } catch (IllegalArgumentException e) {
                    throw new InputFault(name, String.valueOf(e.getMessage()),
                            "use −60 to 20 dB and −100 to 100 for the pan", e);
                }
            } else {
                throw fault(name, "its routing holds " + n);
            }
        }
        return new Routing(loop, branches);
    }

    private static List<String> ids(JsonNode list) {
        List<String> out = new ArrayList<>();
        for (JsonNode n : list) out.add(n.asString(""));
        return out;
    }

    private static InputFault fault(String name, String what) {
        return new InputFault(name, what,
                "use \"series\", {\"loop\": […]} or {\"branch\": …, \"after\": …, \"before\": …}");
    }
}
