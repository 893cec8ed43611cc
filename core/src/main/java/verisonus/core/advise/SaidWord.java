package verisonus.core.advise;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import verisonus.core.evidence.words.Trait;
import verisonus.core.evidence.words.Word;

/**
 * What a player says of a tone: "too boxy", "needs air", "more bite", "less fizz".
 *
 * @param more whether there should be more of it
 */
public record SaidWord(Word word, boolean more) {
    /** Nouns and kin that players use for the words. */
    private static final Map<String, String> KIN = Map.ofEntries(Map.entry("air", "airy"), Map.entry("bite", "biting"),
            Map.entry("mud", "muddy"), Map.entry("box", "boxy"), Map.entry("fizz", "fizzy"), Map.entry("honk", "honky"),
            Map.entry("body", "full"), Map.entry("glass", "glassy"), Map.entry("brightness", "bright"),
            Map.entry("shrill", "harsh"), Map.entry("harshness", "harsh"), Map.entry("warmth", "warm"),
            Map.entry("fat", "thick"), Map.entry("buzzy", "raspy"), Map.entry("rasp", "raspy"),
            Map.entry("punch", "punchy"), Map.entry("dull", "dark"), Map.entry("sustain", "singing"),
            Map.entry("squashed", "spongy"), Map.entry("wet", "roomy"));
    /** Words that are understood when a player asks for them; recordings are described by fewer. */
    private static final List<Word> ASKED = List.of(
            word("bright", Word.About.COLOUR, above(Trait.PRESENCE, 3), above(Trait.BITE, 2)),
            word("harsh", Word.About.COLOUR, above(Trait.BITE, 5), above(Trait.PRESENCE, 4)),
            word("nasal", Word.About.COLOUR, above(Trait.HONK, 4), below(Trait.LOWS, -1)),
            word("warm", Word.About.COLOUR, above(Trait.LOW_MIDS, 2), below(Trait.PRESENCE, 1)),
            word("thick", Word.About.COLOUR, above(Trait.LOW_MIDS, 3), above(Trait.LOWS, 2)),
            word("raspy", Word.About.COLOUR, above(Trait.PRESENCE, 4), above(Trait.DIRT, 0.5)),
            word("punchy", Word.About.FEEL, below(Trait.ATTACK, 15), above(Trait.LOWS, 0)),
            word("singing", Word.About.FEEL, above(Trait.FALL, -18), above(Trait.DIRT, 0.45)),
            word("spongy", Word.About.FEEL, below(Trait.SPREAD, 12), above(Trait.ATTACK, 20)));
    private static final List<String> LESS = List.of("too", "less", "not so", "remove");
    private static final int NAMED = 3;

    private static Word word(String name, Word.About kind, Word.Condition... conditions) {
        return new Word(name, kind, List.of(conditions), false);
    }

    private static Word.Condition above(Trait trait, double limit) {
        return new Word.Condition(trait, true, limit);
    }

    private static Word.Condition below(Trait trait, double limit) {
        return new Word.Condition(trait, false, limit);
    }

    /** Finds the word in what was said; without "too", "less" or "needs" more of it is meant. Empty where none is known. */
    public static Optional<SaidWord> find(String said, List<Word> vocabulary) {
        String s = said.toLowerCase(Locale.ROOT).strip();
        boolean less = LESS.stream().anyMatch(l -> s.startsWith(l + " "));
        String last = s.substring(s.lastIndexOf(' ') + 1);
        List<String> meant = meant(last);
        return known(vocabulary)
                .filter(w -> meant.contains(w.name().toLowerCase(Locale.ROOT)) || s.endsWith(" " + w.name()))
                .findFirst().map(w -> new SaidWord(w, !less));
    }

    /** The word itself, its kin, and of "brighter", "looser" or "airier" the plain word. */
    private static List<String> meant(String word) {
        List<String> out = new ArrayList<>(List.of(KIN.getOrDefault(word, word)));
        if (word.endsWith("er")) {
            String stem = word.substring(0, word.length() - 2);
            out.addAll(List.of(stem, stem + "e"));
            if (stem.endsWith("i")) out.add(stem.substring(0, stem.length() - 1) + "y");
        }
        return out;
    }

    /** A player's own words come before those that are only understood. */
    private static Stream<Word> known(List<Word> vocabulary) {
        return Stream.concat(vocabulary.stream(), ASKED.stream());
    }

    /** Words that are known. */
    public static List<String> names(List<Word> vocabulary) {
        return known(vocabulary).map(Word::name).distinct().toList();
    }

    /** Known words that are written most like one that is not. */
    public static List<String> nearest(String said, List<Word> vocabulary) {
        String s = said.toLowerCase(Locale.ROOT).strip();
        String last = s.substring(s.lastIndexOf(' ') + 1);
        List<String> all = new ArrayList<>(names(vocabulary));
        all.sort(Comparator.comparingInt(n -> changes(last, n)));
        return all.subList(0, Math.min(NAMED, all.size()));
    }

    /** Letters to change, add or take away (V. I. Levenshtein, 1966). */
    private static int changes(String a, String b) {
        int[] row = new int[b.length() + 1];
        for (int j = 0; j < row.length; j++) row[j] = j;
        for (int i = 1; i <= a.length(); i++) {
            int corner = row[0];
            row[0] = i;
            for (int j = 1; j < row.length; j++) {
                int changed = corner + (a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1);
                corner = row[j];
                row[j] = Math.min(changed, 1 + Math.min(row[j], row[j - 1]));
            }
        }
        return row[b.length()];
    }
}
