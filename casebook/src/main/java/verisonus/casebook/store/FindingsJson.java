package verisonus.casebook.store;

import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.casebook.exchange.Json;
import verisonus.casebook.words.EvidenceSentences;

/** Findings as the casebook keeps them. */
public final class FindingsJson {
    private FindingsJson() {}

    public static String write(List<EvidenceSentences> findings) {
        ObjectNode out = Json.object();
        ArrayNode list = out.putArray("findings");
        findings.forEach(f -> list.add(Json.tree(f)));
        return Json.text(out);
    }

    public static List<EvidenceSentences> read(String name, String text) {
        List<EvidenceSentences> out = new ArrayList<>();
        for (JsonNode f : Json.parse(name, text).path("findings")) {
            out.add(Json.value(name, f, EvidenceSentences.class));
        }
        return out;
    }
}
