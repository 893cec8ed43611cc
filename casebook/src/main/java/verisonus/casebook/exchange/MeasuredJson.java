package verisonus.casebook.exchange;

import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.evidence.Evidence;
import verisonus.core.work.InputFault;

/**
 * Evidence whole, in full precision, as a casebook keeps it: every component under its own name, so that a gap, a claim or a
 * sentence can be made of it again. The document for others to read, rounded to what it means, is {@link EvidenceJson}.
 */
public final class MeasuredJson {
    private static final String SCHEMA = "verisonus.measured/1";

    private MeasuredJson() {}

    public static ObjectNode tree(Evidence evidence) {
        ObjectNode out = Json.object(SCHEMA);
        out.set("evidence", Json.tree(evidence));
        return out;
    }

    public static String write(Evidence evidence) {
        return Json.text(tree(evidence));
    }

    /** @throws InputFault naming {@code name} where the text is no evidence that this program knows */
    public static Evidence read(String name, String text) {
        JsonNode in = Json.parse(name, text);
        if (!in.path("schema").asString("").equals(SCHEMA)) {
            throw new InputFault(name, "it holds a measurement of another version",
                    "measure the region again, or open it with the program that wrote it");
        }
        return Json.value(name, in.path("evidence"), Evidence.class);
    }
}
