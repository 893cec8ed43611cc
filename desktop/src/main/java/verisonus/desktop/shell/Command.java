package verisonus.desktop.shell;

import java.util.Arrays;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import javafx.scene.input.KeyCombination;

/**
 * Something the player can do, found by name, by other words for it, or by key.
 *
 * @param name in the player's words
 * @param keys the keys that do it
 * @param otherWords what else a player might call it
 */
record Command(String name, Optional<KeyCombination> keys, String otherWords, Runnable action) {
    static Command of(String name, String keys, Runnable action) {
        return new Command(name, keys.isEmpty() ? Optional.empty() : Optional.of(KeyCombination.keyCombination(keys)),
                "", action);
    }

    /** The same, found by these words too. */
    Command also(String words) {
        return new Command(name, keys, words, action);
    }

    /** How the keys are written on a screen; empty where there are none. */
    String keyWords() {
        return keys.map(k -> k.getDisplayText()).orElse("");
    }

    /** Whether every word typed begins a word of the name, or of the other words for it. */
    boolean matches(String typed) {
        return everyWordBegins(typed, words(name + " " + otherWords));
    }

    /** Whether the name alone matches: such commands stand first. */
    boolean isNamed(String typed) {
        return everyWordBegins(typed, words(name));
    }

    private static boolean everyWordBegins(String typed, String[] words) {
        return Stream.of(words(typed)).allMatch(part -> Arrays.stream(words).anyMatch(w -> w.startsWith(part)));
    }

    private static String[] words(String text) {
        return text.toLowerCase(Locale.ROOT).strip().split("[\\s:,.·…()]+", -1);
    }
}
