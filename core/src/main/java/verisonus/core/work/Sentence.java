package verisonus.core.work;

import java.util.List;
import java.util.Locale;

/** Words put together as a sentence has them: its first letter, and several things in a row. */
public final class Sentence {
    private Sentence() {}

    /** A text that begins a sentence. */
    public static String begun(String text) {
        return text.isEmpty() ? text : text.substring(0, 1).toUpperCase(Locale.ROOT) + text.substring(1);
    }

    /** "a", "a and b", "a, b and c"; empty of nothing. */
    public static String listed(List<String> parts) {
        if (parts.size() < 2) return String.join("", parts);
        int last = parts.size() - 1;
        return String.join(", ", parts.subList(0, last)) + " and " + parts.get(last);
    }
}
