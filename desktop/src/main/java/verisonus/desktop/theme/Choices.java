package verisonus.desktop.theme;

import java.util.function.Function;
import javafx.util.StringConverter;

/** Choices shown by their words. */
public final class Choices {
    private Choices() {}

    /** @param fallback what stands where words do not name a choice; choice boxes never ask */
    public static <T> StringConverter<T> named(Function<T, String> words, T fallback) {
        return new StringConverter<>() {
            @Override
            public String toString(T value) {
                return value == null ? "" : words.apply(value);
            }

            @Override
            public T fromString(String text) {
                return fallback;
            }
        };
    }
}
