package verisonus.casebook.exchange;

import java.util.List;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.travel.BandChange;
import verisonus.core.travel.Journey;
import verisonus.core.travel.ListeningDose;
import verisonus.core.travel.Travelled;

/** A tone on playback systems as {@code verisonus.travel/1}. */
public final class TravelJson {
    private TravelJson() {}

    public static ObjectNode write(List<Travelled> travelled, double levelDbSpl) {
        ObjectNode out = Json.object("verisonus.travel/1");
        Json.put(out, "level_db_spl", levelDbSpl, 1);
        ArrayNode systems = out.putArray("systems");
        for (Travelled t : travelled) {
            ObjectNode system = systems.addObject().put("id", t.system().id()).put("name", t.system().name());
            ArrayNode bands = system.putArray("bands");
            for (BandChange b : t.bands()) {
                ObjectNode band = bands.addObject().put("name", b.name());
                Json.put(band, "from_hz", b.fromHz(), 0);
                Json.put(band, "to_hz", b.toHz(), 0);
                Json.put(band, "change_db", b.changeDb(), 2);
            }
            Json.put(system, "loudness_change_db", t.loudnessChangeDb(), 2);
            Json.put(system, "change_rms_db", t.changeDb(), 2);
            ArrayNode findings = system.putArray("findings");
            t.findings().forEach(findings::add);
            ArrayNode advice = system.putArray("advice");
            t.advice().forEach(advice::add);
        }
        out.put("worst", Journey.worst(travelled).map(t -> t.system().id()).orElse(null));
        Json.put(out, "safe_minutes_per_day", ListeningDose.safeMinutesPerDay(levelDbSpl), 1);
        return out;
    }
}
