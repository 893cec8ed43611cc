package verisonus.casebook.exchange.device;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.rig.Control;
import verisonus.core.rig.Dial;
import verisonus.core.rig.Face;
import verisonus.core.rig.Model;
import verisonus.core.rig.Unit;

/** Scales of the player's own device, control by control: ends, steps, unit, hours or words, and the pairs they were learnt from. */
final class DialJson {
    static final String DIALS = "dials";
    private static final String CLOCK = "clock";
    private static final String MARKS = "marks";
    private static final String PAIRS = "pairs";

    private DialJson() {}

    static void write(Unit unit, ObjectNode device) {
        if (unit.dials().isEmpty()) return;
        ObjectNode dials = device.putObject(DIALS);
        new TreeMap<>(unit.dials()).forEach((control, dial) -> write(dial, dials.putObject(control)));
    }

    private static void write(Dial dial, ObjectNode out) {
        Face f = dial.face();
        if (!f.marks().isEmpty()) {
            ArrayNode marks = out.putArray(MARKS);
            f.marks().forEach(marks::add);
        } else {
            out.put("from", f.from()).put("to", f.to());
            if (f.clock()) {
                out.put(CLOCK, true);
            } else {
                out.put("step", f.step()).put("unit", f.unit());
            }
        }
        if (dial.pairs().isEmpty()) return;
        ArrayNode pairs = out.putArray(PAIRS);
        for (Dial.Pair p : dial.pairs()) pairs.addArray().add(p.mark()).add(p.value());
    }

    /** @throws IllegalArgumentException in words, where one breaks a rule */
    static Map<String, Dial> read(Model base, JsonNode dials) {
        Map<String, Dial> out = new LinkedHashMap<>();
        for (Map.Entry<String, JsonNode> d : dials.properties()) {
            Control c = base.control(d.getKey());
            try {
                out.put(c.name(), dial(c, d.getValue()));
            } catch (IllegalArgumentException e) {
                throw new IllegalArgumentException("the scale of " + c.name() + ": " + e.getMessage(), e);
            }
        }
        return out;
    }

    private static Dial dial(Control c, JsonNode said) {
        List<Dial.Pair> pairs = new ArrayList<>();
        for (JsonNode p : said.path(PAIRS)) {
            if (p.size() != 2) throw new IllegalArgumentException("a pair is a mark and a value");
            double value = UnitJson.finite(p.get(1));
            if (value < c.minimum() || value > c.maximum())
                throw new IllegalArgumentException(c.display(value) + " is outside " + c.display(c.minimum()) + " to "
                        + c.display(c.maximum()));
            pairs.add(new Dial.Pair(UnitJson.finite(p.get(0)), value));
        }
        return new Dial(face(said), pairs);
    }

    private static Face face(JsonNode said) {
        if (said.has(MARKS)) {
            List<String> marks = new ArrayList<>();
            for (JsonNode m : said.get(MARKS)) marks.add(m.asString(""));
            return Face.words(marks);
        }
        if (!said.has("from") || !said.has("to")) throw new IllegalArgumentException("it names no two ends");
        double from = UnitJson.finite(said.get("from"));
        double to = UnitJson.finite(said.get("to"));
        return said.path(CLOCK).asBoolean(false)
                ? Face.clock(from, to)
                : Face.ruled(from, to, said.has("step") ? UnitJson.finite(said.get("step")) : 0,
                        said.path("unit").asString(""));
    }
}
