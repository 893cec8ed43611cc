package verisonus.casebook.exchange;

import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.rig.Control;
import verisonus.core.rig.Gear;
import verisonus.core.rig.Model;

/** Every model and control as {@code verisonus.controls/1}. */
public final class ControlsJson {
    private ControlsJson() {}

    public static ObjectNode write() {
        ObjectNode out = Json.object("verisonus.controls/1");
        ArrayNode blocks = out.putArray("blocks");
        for (Model m : Gear.MODELS) {
            ObjectNode model = blocks.addObject().put("model", m.name()).put("kind", m.kind().word()).put("about",
                    m.about());
            ArrayNode controls = model.putArray("controls");
            for (Control c : m.controls()) {
                ObjectNode node = controls.addObject().put("name", c.name()).put("unit", c.unit());
                Json.put(node, "minimum", c.minimum(), 3);
                Json.put(node, "maximum", c.maximum(), 3);
                if (c.isChoice()) {
                    node.put("default", c.choices().get((int) c.defaultValue()));
                    ArrayNode choices = node.putArray("choices");
                    c.choices().forEach(choices::add);
                } else {
                    Json.put(node, "default", c.defaultValue(), 3);
                    node.putNull("choices");
                }
                node.put("about", c.about()).put("taper", c.taper().word()).put("moves", c.moves().word());
            }
        }
        return out;
    }
}
