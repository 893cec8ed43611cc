package verisonus.casebook.store;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.exchange.MeasuredJson;
import verisonus.casebook.words.EvidenceSentences;

/** Measurements as the casebook keeps them: whole, or as sentences where an earlier program knew nothing else. */
final class FindingsJson {
    private FindingsJson() {}

    static Measurement measurement(String name, String findings, String document, @Nullable String measured) {
        return measured == null
                ? Measurement.ofSentences(read(name, findings), document)
                : Measurement.of(MeasuredJson.read(name, measured), document);
    }

    /** The row that a measurement is kept in. */
    static Map<String, Object> row(long regionId, Measurement m) {
        Map<String, Object> out = new LinkedHashMap<>();
        out.put("region_id", regionId);
        out.put("findings", m.evidence().isPresent() ? "{}" : write(m.findings()));
        out.put("document", m.document());
        m.evidence().ifPresent(e -> out.put("measured", MeasuredJson.write(e)));
        return out;
    }

    private static String write(List<EvidenceSentences> findings) {
        ObjectNode out = Json.object();
        ArrayNode list = out.putArray("findings");
        findings.forEach(f -> list.add(Json.tree(f)));
        return Json.text(out);
    }

    private static List<EvidenceSentences> read(String name, String text) {
        List<EvidenceSentences> out = new ArrayList<>();
        for (JsonNode f : Json.parse(name, text).path("findings")) {
            out.add(Json.value(name, f, EvidenceSentences.class));
        }
        return out;
    }
}
