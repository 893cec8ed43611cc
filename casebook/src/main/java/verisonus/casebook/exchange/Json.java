package verisonus.casebook.exchange;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.OptionalDouble;
import tools.jackson.core.JacksonException;
import tools.jackson.core.StreamReadFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;
import verisonus.core.work.InputFault;

/** Reading and writing JSON trees; numbers are rounded to what they mean, absent ones are null, never NaN. */
public final class Json {
    private static final JsonMapper MAPPER = JsonMapper.builder().enable(SerializationFeature.INDENT_OUTPUT)
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION).build();

    /** A tone with a measured response of two seconds at 192 kHz has 2 MB; sixteen of them fit. */
    private static final long MOST_BYTES = 32_000_000;

    private Json() {}

    public static ObjectNode object() {
        return MAPPER.createObjectNode();
    }

    public static ObjectNode object(String schema) {
        return object().put("schema", schema);
    }

    public static String text(JsonNode node) {
        return MAPPER.writeValueAsString(node);
    }

    /** A record as a tree of its components. */
    public static JsonNode tree(Object value) {
        return MAPPER.valueToTree(value);
    }

    /** A record from a tree that {@link #tree} made; {@code name} stands in the error. */
    public static <T> T value(String name, JsonNode node, Class<T> type) {
        try {
            return MAPPER.treeToValue(node, type);
        } catch (JacksonException e) {
            throw new InputFault(name, "it holds a " + type.getSimpleName() + " that cannot be read",
                    "restore it from a copy", e);
        }
    }

    /** Parses a document; {@code name} stands in the error. */
    public static JsonNode parse(String name, String text) {
        try {
            // Some editors put a byte-order mark before the text.
            JsonNode node = MAPPER.readTree(text.startsWith("\uFEFF") ? text.substring(1) : text);
            if (node == null || !node.isObject())
                throw new InputFault(name, "it holds no JSON object", "check the file");
            return node;
        } catch (JacksonException e) {
            String where = e.getLocation() == null ? "" : " at line " + e.getLocation().getLineNr();
            throw new InputFault(name, "it is not valid JSON" + where, "correct it, or write it anew", e);
        }
    }

    /** Reads a JSON file. */
    public static JsonNode read(Path file) {
        try {
            long bytes = Files.size(file);
            if (bytes > MOST_BYTES)
                throw new InputFault(file.toString(),
                        "it is larger than any document of this program (" + bytes / 1_000_000
                                + " MB)",
                        "check that it is the file you meant");
            return parse(file.toString(), Files.readString(file));
        } catch (NoSuchFileException e) {
            throw new InputFault(file.toString(), "there is no such file", "check the name", e);
        } catch (IOException e) {
            throw new InputFault(file.toString(), "it cannot be read as text", "check the file", e);
        }
    }

    /** A number with this many decimals; infinities and NaN are an error of the caller. */
    public static void put(ObjectNode into, String key, double value, int decimals) {
        into.put(key, rounded(value, decimals));
    }

    public static void put(ObjectNode into, String key, OptionalDouble value, int decimals) {
        if (value.isPresent()) {
            put(into, key, value.getAsDouble(), decimals);
        } else {
            into.putNull(key);
        }
    }

    public static ArrayNode array(double[] values, int decimals) {
        ArrayNode out = MAPPER.createArrayNode();
        for (double v : values) out.add(rounded(v, decimals));
        return out;
    }

    private static double rounded(double value, int decimals) {
        if (!Double.isFinite(value)) throw new IllegalArgumentException("not a number: " + value);
        double scale = Math.pow(10, decimals);
        double r = Math.rint(value * scale) / scale;
        return r == 0 ? 0 : r;
    }
}
