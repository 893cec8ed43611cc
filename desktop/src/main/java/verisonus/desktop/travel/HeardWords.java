package verisonus.desktop.travel;

import java.util.EnumMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import verisonus.core.travel.NamedBand;
import verisonus.core.travel.Travelled;
import verisonus.core.work.Figures;

/** Do the figures bear out what a listener says of a system? A word that they do not is marked, never refused. */
final class HeardWords {
    private static final double BORNE_OUT_DB = 1;

    /** What a word says: a band, and whether there is more or less of it. */
    private record Meaning(NamedBand band, boolean more) {}

    private static final Map<String, Meaning> WORDS = Map.ofEntries(
            Map.entry("boomy", new Meaning(NamedBand.LOWS, true)),
            Map.entry("thin", new Meaning(NamedBand.LOWS, false)),
            Map.entry("boxy", new Meaning(NamedBand.MIDS, true)),
            Map.entry("muddy", new Meaning(NamedBand.LOW_MIDS, true)),
            Map.entry("hollow", new Meaning(NamedBand.MIDS, false)),
            Map.entry("nasal", new Meaning(NamedBand.UPPER_MIDS, true)),
            Map.entry("honky", new Meaning(NamedBand.MIDS, true)),
            Map.entry("harsh", new Meaning(NamedBand.PRESENCE, true)),
            Map.entry("dull", new Meaning(NamedBand.HIGHS, false)),
            Map.entry("dark", new Meaning(NamedBand.HIGHS, false)),
            Map.entry("bright", new Meaning(NamedBand.HIGHS, true)),
            Map.entry("fizzy", new Meaning(NamedBand.HIGHS, true)));

    private HeardWords() {}

    /** What the figures say otherwise; empty where they agree or no known word is said. */
    static Optional<String> doubt(String text, Travelled t) {
        String lower = text.toLowerCase(Locale.ROOT);
        Map<NamedBand, String> against = new EnumMap<>(NamedBand.class);
        WORDS.forEach((word, meaning) -> {
            if (!List.of(lower.split("[^\\p{L}]+", -1)).contains(word)) return;
            double change = t.band(meaning.band()).changeDb();
            if (meaning.more() ? change < BORNE_OUT_DB : change > -BORNE_OUT_DB)
                against.put(meaning.band(), Figures.read("“%s”, though %s are %+.1f dB there", word,
                        meaning.band().words(), change));
        });
        return against.isEmpty()
                ? Optional.empty()
                : Optional.of("Kept: " + String.join("; ", against.values())
                        + ". It may come from the room, the level or what was heard before.");
    }
}
