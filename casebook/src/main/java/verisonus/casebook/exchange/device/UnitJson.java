package verisonus.casebook.exchange.device;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.rig.Control;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Model;
import verisonus.core.rig.Turning;
import verisonus.core.rig.Unit;
import verisonus.core.rig.Voice;
import verisonus.core.work.InputFault;

/**
 * Devices of the player's own, as tones and rigs hold them: a block names the model as ever, and beside it the device with what it has of
 * the model's controls. Whoever opens a tone hears it without owning the device.
 */
public final class UnitJson {
    private static final String DEVICE = "device";

    private UnitJson() {}

    /** What a model is called in a block: of a device of the player's own, the model that it is one of. */
    public static void write(Model model, ObjectNode block) {
        if (isOwn(model)) {
            block.put("model", Gear.baseOf(model).name());
            ObjectNode device = block.putObject(DEVICE).put("name", model.name());
            writeReaches(model, device.putObject("controls"));
            writeAfter(model, device);
        } else {
            block.put("model", model.name());
        }
    }

    /** The same with what only the player's own rig needs: names and turns of its controls. */
    public static void write(Unit unit, ObjectNode block) {
        write(unit.model(), block);
        ObjectNode device = (ObjectNode) block.get(DEVICE);
        if (!unit.labels().isEmpty()) {
            ObjectNode labels = device.putObject("labels");
            unit.labels().forEach(labels::put);
        }
        DialJson.write(unit, device);
        if (unit.turnings().isEmpty()) return;
        ObjectNode turns = device.putObject("turns");
        unit.turnings().forEach((control, turning) -> {
            ArrayNode places = turns.putArray(control);
            for (Turning.Place p : turning.places())
                places.addArray().add(p.device()).add(p.model());
        });
    }

    public static boolean isOwn(Model model) {
        return Gear.find(model.name()).isEmpty();
    }

    private static void writeReaches(Model own, ObjectNode controls) {
        Model base = Gear.baseOf(own);
        for (Control c : own.controls()) {
            Control whole = base.control(c.name());
            if (c.equals(whole)) continue;
            if (c.isFixed()) {
                controls.put(c.name(), c.defaultValue());
            } else {
                controls.putArray(c.name()).add(c.minimum()).add(c.maximum());
            }
        }
    }

    private static void writeAfter(Model own, ObjectNode device) {
        if (!(own.voice() instanceof Voice.Learnt learnt)) return;
        ArrayNode after = device.putArray("after_db");
        learnt.afterDb().forEach(after::add);
    }

    /** The model that a block of a tone or rig names. @param name stands in errors */
    public static Model readModel(String name, JsonNode block) {
        return names(block) ? readUnit(name, block).model() : shipped(name, block);
    }

    private static Model shipped(String name, JsonNode block) {
        String model = block.path("model").asString("");
        return Gear.find(model).orElseThrow(() -> new InputFault(name, "there is no block \"" + model + "\"",
                "see the command controls for what there is"));
    }

    /** Whether a block names a device of the player's own. */
    public static boolean names(JsonNode block) {
        return block.has(DEVICE);
    }

    public static Unit readUnit(String name, JsonNode block) {
        return readUnit(name, shipped(name, block), block.path(DEVICE));
    }

    private static Unit readUnit(String name, Model base, JsonNode device) {
        String own = device.path("name").asString("");
        try {
            Map<String, Unit.Reach> reaches = new LinkedHashMap<>();
            for (Map.Entry<String, JsonNode> c : device.path("controls").properties())
                reaches.put(c.getKey(), reach(c.getValue()));
            List<Double> after = new ArrayList<>();
            for (JsonNode db : device.path("after_db")) after.add(finite(db));
            Map<String, String> labels = new LinkedHashMap<>();
            for (Map.Entry<String, JsonNode> l : device.path("labels").properties())
                labels.put(base.control(l.getKey()).name(), l.getValue().asString(""));
            Map<String, Turning> turns = new LinkedHashMap<>();
            for (Map.Entry<String, JsonNode> t : device.path("turns").properties())
                turns.put(base.control(t.getKey()).name(), turning(t.getValue()));
            return Unit.of(own, base, reaches, after).labelled(labels).turning(turns)
                    .dialled(DialJson.read(base, device.path(DialJson.DIALS)));
        } catch (IllegalArgumentException e) {
            throw new InputFault(name, "the device \"" + own + "\": " + e.getMessage(),
                    "give it a name of its own, and what " + base.name() + " has", e);
        }
    }

    private static Unit.Reach reach(JsonNode said) {
        if (said.isNumber()) return Unit.Reach.fixed(finite(said));
        if (!said.isArray() || said.size() != 2) throw new IllegalArgumentException("a reach is a number or two");
        return new Unit.Reach(finite(said.get(0)), finite(said.get(1)));
    }

    private static Turning turning(JsonNode places) {
        List<Turning.Place> out = new ArrayList<>();
        for (JsonNode p : places) {
            if (p.size() != 2)
                throw new IllegalArgumentException("a place is two numbers, the device's and the model's");
            out.add(new Turning.Place(tenth(p.get(0)), tenth(p.get(1))));
        }
        return new Turning(out);
    }

    private static double tenth(JsonNode number) {
        double v = finite(number);
        if (v < 0 || v > 10) throw new IllegalArgumentException(v + " is not from 0 to 10");
        return v;
    }

    static double finite(JsonNode number) {
        if (!number.isNumber() || !Double.isFinite(number.asDouble()))
            throw new IllegalArgumentException(number + " is no number");
        return number.asDouble();
    }
}
