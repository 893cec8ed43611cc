package verisonus.core.work;

import java.util.Locale;

/**
 * Numbers in sentences and tables: the one place that knows how they are written. Today that is a decimal point everywhere; a
 * language that writes them otherwise is set here. Files and commands that are read by programs use it too, and stay as they are.
 */
public final class Figures {
    private static final char HYPHEN = '-';
    private static final char MINUS = '−';

    private Figures() {}

    /** A sentence with its figures, by the patterns of {@link java.util.Formatter}. */
    public static String of(String pattern, Object... values) {
        return String.format(Locale.ROOT, pattern, values);
    }

    /** The same for people to read: negative figures have a minus sign, which is as wide as a plus, not a hyphen. */
    public static String read(String pattern, Object... values) {
        return withMinus(of(pattern, values));
    }

    /** A text with a minus sign before each negative figure; hyphens within words and between figures stay. */
    public static String withMinus(String text) {
        StringBuilder out = new StringBuilder(text);
        for (int i = 0; i + 1 < out.length(); i++) {
            boolean first = i == 0 || !Character.isLetterOrDigit(out.charAt(i - 1));
            if (out.charAt(i) == HYPHEN && first && Character.isDigit(out.charAt(i + 1))) out.setCharAt(i, MINUS);
        }
        return out.toString();
    }
}
