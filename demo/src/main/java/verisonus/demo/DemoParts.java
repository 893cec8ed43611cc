package verisonus.demo;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import org.jspecify.annotations.Nullable;

/** The ready-made parts of the demo that ship: recordings as FLAC, and what was measured and derived. */
final class DemoParts {
    private DemoParts() {}

    static String fileName(Recipe recipe, String part) {
        return recipe.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-') + "-" + part + ".flac";
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
