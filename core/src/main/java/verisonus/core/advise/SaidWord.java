package verisonus.core.advise;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import verisonus.core.evidence.words.Word;

/**
 * What a player says of a tone: "too boxy", "needs air", "more bite", "less fizz".
 *
 * @param more whether there should be more of it
 */
public record SaidWord(Word word, boolean more) {
    /** Nouns that players use for the words. */
    private static final Map<String, String> NOUNS = Map.of("air", "airy", "bite", "biting", "mud", "muddy", "box",
            "boxy", "fizz", "fizzy", "honk", "honky", "body", "full", "glass", "glassy");
    private static final List<String> LESS = List.of("too", "less", "not so", "remove");

    /** Finds the word in what was said; without "too", "less" or "needs" more of it is meant. Empty where none is known. */
    public static Optional<SaidWord> find(String said, List<Word> vocabulary) {
        String s = said.toLowerCase(Locale.ROOT).strip();
        boolean less = LESS.stream().anyMatch(l -> s.startsWith(l + " "));
        String last = s.substring(s.lastIndexOf(' ') + 1);
        String name = NOUNS.getOrDefault(last, last);
        return vocabulary.stream().filter(w -> w.name().equalsIgnoreCase(name) || s.endsWith(w.name())).findFirst()
                .map(w -> new SaidWord(w, !less));
    }

    /** Words that are known. */
    public static List<String> names(List<Word> vocabulary) {
        return vocabulary.stream().map(Word::name).toList();
    }
}
