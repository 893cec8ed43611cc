package verisonus.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;
import verisonus.casebook.exchange.Json;

/** The ready-made parts of the demo that ship: recordings as FLAC, and what was measured and derived. */
final class DemoParts {
    private DemoParts() {}

    static String fileName(Recipe recipe, String part) {
        return recipe.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-') + "-" + part + ".flac";
    }

    private static String jsonName(Recipe recipe, String part) {
        return fileName(recipe, part).replace(".flac", ".json");
    }

    static JsonNode json(Recipe recipe, String part) {
        return Json.parse("demo", new String(bytes(jsonName(recipe, part)), StandardCharsets.UTF_8));
    }

    static Path jsonFile(Path folder, Recipe recipe, String part) {
        return folder.resolve(jsonName(recipe, part));
    }

    static byte[] bytes(String name) {
        try (@Nullable
        InputStream in = DemoParts.class.getResourceAsStream(name)) {
            if (in == null) throw new IllegalStateException("the part " + name + " of the demo is missing");
            return in.readAllBytes();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
