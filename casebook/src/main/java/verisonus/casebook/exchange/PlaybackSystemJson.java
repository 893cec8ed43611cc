package verisonus.casebook.exchange;

import java.util.Optional;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.system.Protection;
import verisonus.core.travel.system.ResponseCurve;
import verisonus.core.travel.system.Room;
import verisonus.core.work.InputFault;

/** A playback system as {@code verisonus.playback-system/1}, in full precision. */
public final class PlaybackSystemJson {
    private PlaybackSystemJson() {}

    public static ObjectNode write(PlaybackSystem s) {
        ObjectNode out = Json.object("verisonus.playback-system/1").put("id", s.id()).put("name", s.name());
        ArrayNode hz = out.putArray("frequency_hz");
        for (double v : s.curve().hz()) hz.add(v);
        ArrayNode db = out.putArray("level_db");
        for (double v : s.curve().levelDb()) db.add(v);
        if (s.curve().outside() == ResponseCurve.Outside.HOLDS) out.put("outside", "holds");
        s.protection().ifPresent(p -> out.putObject("protection").put("threshold_db_spl", p.thresholdDbSpl())
                .put("ratio", p.ratio()).put("attack_s", p.attackS()).put("release_s", p.releaseS()));
        s.room().ifPresent(r -> out.putObject("room").put("distance_m", r.distanceM()).put("decay_s", r.decayS())
                .put("direct_to_room_db", r.directToRoomDb()));
        return out.put("loudspeakers", s.loudspeakers()).put("guitar_cabinet", s.guitarCabinet())
                .put("level_db_spl", s.levelDbSpl()).put("notes", s.notes());
    }

    /** @param name stands in errors */
    public static PlaybackSystem read(String name, JsonNode n) {
        try {
            return new PlaybackSystem(n.path("id").asString(""), n.path("name").asString(""),
                    new ResponseCurve(numbers(n.path("frequency_hz")), numbers(n.path("level_db")), outside(n)),
                    Optional.of(n.path("protection")).filter(JsonNode::isObject)
                            .map(p -> new Protection(p.path("threshold_db_spl").asDouble(),
                                    p.path("ratio").asDouble(), p.path("attack_s").asDouble(),
                                    p.path("release_s").asDouble())),
                    Optional.of(n.path("room")).filter(JsonNode::isObject).map(r -> new Room(
                            r.path("distance_m").asDouble(), r.path("decay_s").asDouble(),
                            r.path("direct_to_room_db").asDouble())),
                    n.path("loudspeakers").asInt(2), n.path("guitar_cabinet").asBoolean(false),
                    n.path("level_db_spl").asDouble(PlaybackSystem.WORKING_LEVEL_DB_SPL), n.path("notes").asString(""));
        } catch (IllegalArgumentException e) {
            throw new InputFault(name, "a playback system in it cannot be used (" + e.getMessage() + ")",
                    "remove the system and measure it again", e);
        }
    }

    private static ResponseCurve.Outside outside(JsonNode n) {
        return n.path("outside").asString("").equals("holds")
                ? ResponseCurve.Outside.HOLDS
                : ResponseCurve.Outside.FALLS;
    }

    private static double[] numbers(JsonNode array) {
        double[] out = new double[array.size()];
        for (int i = 0; i < out.length; i++) out[i] = array.get(i).asDouble();
        return out;
    }
}
