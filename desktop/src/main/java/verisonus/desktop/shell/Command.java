package verisonus.desktop.shell;

import java.util.Optional;
import javafx.scene.input.KeyCombination;

/**
 * Something the player can do, found by name or by key.
 *
 * @param name in the player's words
 * @param keys the keys that do it
 */
record Command(String name, Optional<KeyCombination> keys, Runnable action) {
    static Command of(String name, String keys, Runnable action) {
        return new Command(name, keys.isEmpty() ? Optional.empty() : Optional.of(KeyCombination.keyCombination(keys)),
                action);
    }

    /** How the keys are written on a screen; empty where there are none. */
    String keyWords() {
        return keys.map(k -> k.getDisplayText()).orElse("");
    }

    /** Whether every word typed begins a word of the name. */
    boolean matches(String typed) {
        String[] words = name.toLowerCase(java.util.Locale.ROOT).split("\\s+");
        for (String part : typed.toLowerCase(java.util.Locale.ROOT).strip().split("\\s+")) {
            boolean found = false;
            for (String w : words) found |= w.startsWith(part);
            if (!found) return false;
        }
        return true;
    }
}
