package verisonus.casebook.exchange;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Unit;
import verisonus.core.work.InputFault;

/** One device of the player's own as a document that other players can put into their gear: what a rig says of it, by itself. */
public final class DeviceDocument {
    private static final String SCHEMA = "verisonus.device/1";

    private DeviceDocument() {}

    public static ObjectNode write(Rig rig, Unit unit) {
        ObjectNode out = Json.object(SCHEMA);
        for (JsonNode b : ToneJson.write(rig).get("blocks"))
            if (b.path("device").path("name").asString("").equals(unit.name())) out.setAll((ObjectNode) b);
        return out;
    }

    public static boolean isDevice(JsonNode document) {
        return document.path("schema").asString("").equals(SCHEMA);
    }

    public static String name(JsonNode document) {
        return document.path("device").path("name").asString("");
    }

    /**
     * The rig with the device, in place of one of its name.
     *
     * @param name stands in errors
     * @throws InputFault where the document is no device or breaks a rule
     */
    public static Rig into(Rig rig, String name, JsonNode document) {
        if (!isDevice(document))
            throw new InputFault(name, "it is no device", "it must say \"schema\": \"" + SCHEMA + "\"");
        if (name(document).isBlank())
            throw new InputFault(name, "the device has no name", "give it one: \"device\": {\"name\": …}");
        ObjectNode block = ((ObjectNode) document).deepCopy();
        block.remove("schema");
        ObjectNode alone = Json.object("verisonus.rig/1");
        alone.putArray("blocks").add(block);
        Rig read = ToneJson.readRig(name, alone);
        Unit unit = read.units().getFirst();
        return rig.with(unit).counting(unit.model(), Math.max(1, read.count(unit.model())))
                .scaling(unit.model(), read.scale(unit.model())).knowing(unit.model(), read.practical(unit.model()))
                .mixing(unit.model(), read.mixLaw(unit.model()));
    }
}
