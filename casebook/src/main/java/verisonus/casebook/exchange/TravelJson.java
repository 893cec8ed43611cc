package verisonus.casebook.exchange;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.travel.BandChange;
import verisonus.core.travel.Journey;
import verisonus.core.travel.ListeningDose;
import verisonus.core.travel.Travelled;
import verisonus.core.travel.trim.Trim;

/** A tone on playback systems as {@code verisonus.travel/1}. */
public final class TravelJson {
    private TravelJson() {}

    /** Trims by system, and the one for all together: {@code verisonus.trims/1}. */
    public static ObjectNode trims(Map<String, Trim> trims, Optional<Trim> forAll) {
        ObjectNode out = Json.object("verisonus.trims/1");
        ObjectNode systems = out.putObject("systems");
        trims.forEach((id, t) -> systems.set(id, TrimJson.write(t)));
        out.set("for_all", forAll.map(TrimJson::write).orElse(null));
        return out;
    }

    /** @param trims what was solved, by system; may be empty */
    public static ObjectNode write(List<Travelled> travelled, double levelDbSpl, Map<String, Trim> trims) {
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
            ArrayNode thirds = system.putArray("thirds");
            double[] hz = Journey.thirdsHz();
            for (int b = 0; b < hz.length; b++) {
                ObjectNode third = thirds.addObject();
                Json.put(third, "hz", hz[b], 1);
                Json.put(third, "change_db", t.thirdsDb().get(b), 2);
            }
            Json.put(system, "spread_change_db", t.spreadChangeDb(), 2);
            ArrayNode mono = system.putArray("mono");
            t.mono().forEach(m -> {
                ObjectNode node = mono.addObject().put("band", m.band().words()).put("cause", m.cause().words());
                Json.put(node, "change_db", m.changeDb(), 2);
            });
            ArrayNode gaps = system.putArray("gaps");
            t.gaps().forEach(g -> {
                ObjectNode node = gaps.addObject().put("band", g.band().words()).put("heard", g.heard()).put("why",
                        g.why());
                Json.put(node, "gap_db", g.gapDb(), 2);
                Json.put(node, "jnd", g.jnd(), 2);
            });
            ArrayNode details = system.putArray("details");
            t.details().forEach(f -> {
                ObjectNode node = details.addObject().put("kind",
                        f.kind().name().toLowerCase(Locale.ROOT).replace('_', ' ')).put("sentence", f.sentence());
                Json.put(node, "figure_db", f.figureDb(), 2);
                Json.put(node, "jnd", f.jnd(), 2);
            });
            Trim trim = trims.get(t.system().id());
            if (trim != null) system.set("trim", TrimJson.brief(trim));
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
