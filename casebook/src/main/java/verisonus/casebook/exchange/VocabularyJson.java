package verisonus.casebook.exchange;

import java.util.ArrayList;
import java.util.List;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.evidence.words.Word;

/** Words as the casebook keeps them. */
public final class VocabularyJson {
    private VocabularyJson() {}

    public static String write(List<Word> words) {
        ObjectNode out = Json.object();
        ArrayNode list = out.putArray("words");
        words.forEach(w -> list.add(Json.tree(w)));
        return Json.text(out);
    }

    public static List<Word> read(String name, String text) {
        List<Word> out = new ArrayList<>();
        for (JsonNode w : Json.parse(name, text).path("words")) out.add(Json.value(name, w, Word.class));
        return out;
    }
}
