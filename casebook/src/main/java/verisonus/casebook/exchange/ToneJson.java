package verisonus.casebook.exchange;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.device.UnitJson;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.DeviceScale;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.MixLaw;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Unit;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;

/**
 * Tones as {@code verisonus.tone/1} and rigs as {@code verisonus.rig/1}. Blocks stand in signal order; a missing control
 * takes its default; an unknown block or control, or a value out of range, is an {@link InputFault}.
 */
public final class ToneJson {
    private ToneJson() {}

    public static ObjectNode write(Tone tone) {
        ObjectNode out = Json.object("verisonus.tone/1").put("name", tone.name());
        ArrayNode blocks = out.putArray("blocks");
        for (Block b : tone.blocks()) {
            ObjectNode node = blocks.addObject().put("id", b.id());
            UnitJson.write(b.model(), node);
            node.put("on", b.on());
            b.impulse().ifPresent(i -> ImpulseJson.write(i, node.putObject("impulse")));
            ObjectNode settings = node.putObject("settings");
            for (Map.Entry<String, Double> s : b.settings().entrySet()) {
                Control c = b.model().control(s.getKey());
                if (c.isChoice()) {
                    settings.put(c.name(), c.choices().get((int) Math.round(s.getValue())));
                } else {
                    settings.put(c.name(), s.getValue());
                }
            }
        }
        RoutingJson.write(tone.routing(), out.putArray("routing"));
        return out;
    }

    /** @param name stands in errors */
    public static Tone read(String name, JsonNode node) {
        requireSchema(name, node, "verisonus.tone/1");
        JsonNode blocks = node.get("blocks");
        if (blocks == null || !blocks.isArray())
            throw new InputFault(name, "it has no list of blocks", "write the tone anew");
        List<Block> out = new ArrayList<>();
        for (JsonNode b : blocks) out.add(block(name, b));
        try {
            return new Tone(node.path("name").asString("tone"), out, RoutingJson.read(name, node.path("routing")));
        } catch (IllegalArgumentException e) {
            throw new InputFault(name, String.valueOf(e.getMessage()),
                    "give each block its own id and let the routing name blocks that are there", e);
        }
    }

    private static Block block(String name, JsonNode b) {
        Model model = UnitJson.readModel(name, b);
        String id = b.path("id").asString(model.kind().word());
        Map<String, Double> settings = new LinkedHashMap<>();
        for (Map.Entry<String, JsonNode> s : b.path("settings").properties())
            settings.put(s.getKey(), value(name, model, s.getKey(), s.getValue()));
        return new Block(id, model, b.path("on").asBoolean(true), settings, ImpulseJson.read(name, b));
    }

    private static double value(String name, Model model, String control, JsonNode v) {
        Control c = model.find(control)
                .orElseThrow(() -> new InputFault(name, model.name() + " has no control \"" + control + "\"",
                        "see the command controls for what there is"));
        if (c.isChoice()) {
            int index = c.choices().indexOf(v.asString(""));
            if (index < 0)
                throw new InputFault(name, control + " cannot be " + v,
                        "choose one of " + String.join(", ", c.choices()));
            return index;
        }
        if (!v.isNumber())
            throw new InputFault(name, control + " of " + model.name() + " is no number", "write a number");
        double value = v.asDouble();
        if (!(value >= c.minimum() && value <= c.maximum())) {
            throw new InputFault(name, Figures.of("%s of %s is %s", control, model.name(), v),
                    Figures.of("use %s to %s", plain(c.minimum()), plain(c.maximum())));
        }
        return value;
    }

    private static String plain(double v) {
        return v == Math.rint(v) ? String.valueOf((long) v) : String.valueOf(v);
    }

    private static void requireSchema(String name, JsonNode node, String schema) {
        String said = node.path("schema").asString("");
        if (!said.equals(schema)) {
            throw new InputFault(name, said.isEmpty() ? "it names no schema" : "it is of the schema " + said,
                    "it must say \"schema\": \"" + schema + "\"");
        }
    }

    public static ObjectNode write(Rig rig) {
        ObjectNode out = Json.object("verisonus.rig/1");
        ArrayNode guitars = out.putArray("guitars");
        rig.guitars().forEach(guitars::add);
        ArrayNode blocks = out.putArray("blocks");
        List<Model> owned = new ArrayList<>(Gear.MODELS.stream().filter(rig::has).toList());
        rig.units().stream().map(Unit::model).forEach(owned::add);
        for (Model m : owned) {
            ObjectNode n = blocks.addObject();
            rig.unit(m.name()).ifPresentOrElse(u -> UnitJson.write(u, n), () -> UnitJson.write(m, n));
            n.put("count", rig.counts().getOrDefault(m.name(), 0)).put("scale", rig.scale(m).words());
            if (m.find(MixLaw.CONTROL).isPresent()) n.put("mix_law", rig.mixLaw(m).words());
            Rig.Practical p = rig.practical(m);
            if (p.price() > 0) Json.put(n, "price", p.price(), 2);
            if (p.weightKg() > 0) Json.put(n, "weight_kg", p.weightKg(), 2);
            if (p.setupMinutes() > 0) Json.put(n, "setup_minutes", p.setupMinutes(), 1);
        }
        ObjectNode limits = out.putObject("limits").put("blocks", rig.mostBlocks());
        ArrayNode once = limits.putArray("once");
        rig.once().stream().map(GearKind::word).sorted().forEach(once::add);
        return out;
    }

    /** @param name stands in errors */
    public static Rig readRig(String name, JsonNode node) {
        requireSchema(name, node, "verisonus.rig/1");
        JsonNode blocks = node.get("blocks");
        if (blocks == null || !blocks.isArray())
            throw new InputFault(name, "it has no list of blocks", "list the gear you own");
        Map<String, Integer> counts = new HashMap<>();
        Map<String, DeviceScale> scales = new HashMap<>();
        Map<String, Rig.Practical> practical = new HashMap<>();
        Map<String, MixLaw> laws = new HashMap<>();
        List<Unit> units = new ArrayList<>();
        for (JsonNode b : blocks) {
            String model = UnitJson.readModel(name, b).name();
            if (UnitJson.names(b)) units.add(UnitJson.readUnit(name, b));
            int count = b.path("count").asInt(1);
            if (count < 0) throw new InputFault(name, "the count of " + model + " is " + count, "use 0 or more");
            counts.merge(model, count, Integer::sum);
            String scale = b.path("scale").asString(DeviceScale.TENS.words());
            scales.put(model, DeviceScale.of(scale).orElseThrow(() -> new InputFault(name,
                    "the scale \"" + scale + "\" is not known",
                    "use one of " + String.join(", ", DeviceScale.allWords()))));
            practical.put(model, practical(name, model, b));
            if (b.has("mix_law")) laws.put(model, law(name, b.get("mix_law").asString("")));
        }
        List<String> guitars = new ArrayList<>();
        for (JsonNode g : node.path("guitars"))
            guitars.add(g.isObject() ? g.path("name").asString("guitar") : g.asString(""));
        int most = node.path("limits").path("blocks").asInt(32);
        if (most < 1) throw new InputFault(name, "the limit of blocks is " + most, "use 1 or more");
        Set<GearKind> once = new HashSet<>();
        for (JsonNode k : node.path("limits").path("once")) {
            once.add(Arrays.stream(GearKind.values()).filter(v -> v.word().equals(k.asString(""))).findFirst()
                    .orElseThrow(
                            () -> new InputFault(name, "there is no kind " + k, "use drive, echo, reverb and so on")));
        }
        if (units.stream().map(Unit::name).distinct().count() < units.size())
            throw new InputFault(name, "two devices have one name", "give each a name of its own");
        return new Rig(guitars, counts, scales, most, once, practical, laws, units);
    }

    private static MixLaw law(String name, String said) {
        return Arrays.stream(MixLaw.values()).filter(l -> l.words().equals(said)).findFirst()
                .orElseThrow(() -> new InputFault(name, "the mix law \"" + said + "\" is not known",
                        "use one of " + Arrays.stream(MixLaw.values()).map(MixLaw::words).collect(Collectors.joining(
                                ", "))));
    }

    private static Rig.Practical practical(String name, String model, JsonNode b) {
        try {
            return new Rig.Practical(b.path("price").asDouble(0), b.path("weight_kg").asDouble(0),
                    b.path("setup_minutes").asDouble(0));
        } catch (IllegalArgumentException e) {
            throw new InputFault(name, model + ": " + e.getMessage(), "leave out what is not known", e);
        }
    }
}
