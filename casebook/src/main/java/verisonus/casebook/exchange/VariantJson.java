package verisonus.casebook.exchange;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Variant;
import verisonus.core.work.InputFault;

/** A tone and its variants as {@code verisonus.variants/1}: the tone once, of each variant only what differs. */
public final class VariantJson {
    public static final String SCHEMA = "verisonus.variants/1";

    private VariantJson() {}

    /** A tone with its variants, as one file. */
    public record Set(Tone tone, List<Variant> variants) {
        public Set {
            variants = List.copyOf(variants);
        }
    }

    public static ObjectNode write(Set set) {
        ObjectNode out = Json.object(SCHEMA);
        out.set("tone", ToneJson.write(set.tone));
        ArrayNode variants = out.putArray("variants");
        for (Variant v : set.variants) variants.add(write(v));
        return out;
    }

    public static ObjectNode write(Variant v) {
        ObjectNode out = Json.object().put("name", v.name());
        ObjectNode settings = out.putObject("settings");
        v.settings().forEach((place, value) -> settings.put(place.toString(), value));
        ObjectNode switches = out.putObject("switches");
        v.switches().forEach(switches::put);
        return out;
    }

    /** @throws InputFault where a variant sets what the tone has not, or a value is out of range */
    public static Set readSet(String name, JsonNode node) {
        if (!node.path("schema").asString("").equals(SCHEMA))
            throw new InputFault(name, "it holds no variants", "it must say \"schema\": \"" + SCHEMA + "\"");
        Tone tone = ToneJson.read(name, node.path("tone"));
        List<Variant> out = new ArrayList<>();
        for (JsonNode v : node.path("variants")) {
            Variant read = read(name, v);
            List<String> lost = read.lost(tone);
            if (!lost.isEmpty())
                throw new InputFault(name,
                        read.name() + " sets " + String.join(", ", lost) + ", which the tone has not",
                        "put it into the tone, or take it out of the variant");
            if (out.stream().anyMatch(o -> o.name().equals(read.name())))
                throw new InputFault(name, "two variants are called " + read.name(), "give each its own name");
            for (Map.Entry<ControlPlace, Double> s : read.settings().entrySet()) check(name, tone, s);
            out.add(read);
        }
        return new Set(tone, out);
    }

    private static void check(String name, Tone tone, Map.Entry<ControlPlace, Double> s) {
        Block b = tone.find(s.getKey().block()).orElseThrow();
        Control c = b.model().control(s.getKey().control());
        double v = s.getValue();
        if (!(v >= c.minimum() && v <= c.maximum()))
            throw new InputFault(name, s.getKey() + " is " + v, "use " + c.display(c.minimum()) + " to " + c.display(
                    c.maximum()));
    }

    /** @param name stands in errors */
    public static Variant read(String name, JsonNode node) {
        try {
            Map<ControlPlace, Double> settings = new LinkedHashMap<>();
            for (Map.Entry<String, JsonNode> s : node.path("settings").properties()) {
                if (!s.getValue().isNumber() || !Double.isFinite(s.getValue().asDouble()))
                    throw new IllegalArgumentException(s.getKey() + " is no number");
                settings.put(ControlPlace.parse(s.getKey()), s.getValue().asDouble());
            }
            Map<String, Boolean> switches = new LinkedHashMap<>();
            for (Map.Entry<String, JsonNode> s : node.path("switches").properties())
                switches.put(s.getKey(), s.getValue().asBoolean(true));
            return new Variant(node.path("name").asString(""), settings, switches);
        } catch (IllegalArgumentException e) {
            throw new InputFault(name, "a variant in it cannot be used (" + e.getMessage() + ")", "correct it", e);
        }
    }
}
