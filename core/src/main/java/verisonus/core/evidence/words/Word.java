package verisonus.core.evidence.words;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A word for a sound, tied to figures: it fits where every condition is met.
 *
 * @param name as players say it
 * @param kind of colour, or of time and feel
 * @param conditions one or more
 * @param taught whether a player taught it by two examples
 */
public record Word(String name, About kind, List<Condition> conditions, boolean taught) {
    /** What a word is about. */
    public enum About {
        COLOUR,
        FEEL
    }

    /**
     * One figure that must lie on one side of a limit.
     *
     * @param above whether it must lie above; else below
     */
    public record Condition(Trait trait, boolean above, double limit) {
        /** How far the limit is passed, in the trait's own steps; negative where it is not. */
        double passedBy(double value) {
            return (above ? value - limit : limit - value) / trait.step();
        }
    }

    /**
     * A word that fits.
     *
     * @param strength how clearly, in steps over the nearest limit
     * @param figures the values that it rests on, by condition
     */
    public record Fit(Word word, double strength, List<Double> figures) {}

    private static final int MOST_CONDITIONS = 3;
    private static final double CLEAR = 0.8;

    public Word {
        if (name.isBlank()) throw new IllegalArgumentException("a word needs a name");
        if (conditions.isEmpty()) throw new IllegalArgumentException("a word needs a figure to rest on");
        conditions = List.copyOf(conditions);
    }

    /** Whether it fits, where all its figures can be read. */
    public Optional<Fit> fits(Map<Trait, Double> traits) {
        double least = Double.MAX_VALUE;
        List<Double> figures = new ArrayList<>();
        for (Condition c : conditions) {
            Double v = traits.get(c.trait);
            if (v == null) return Optional.empty();
            least = Math.min(least, c.passedBy(v));
            figures.add(v);
        }
        return least >= 0 ? Optional.of(new Fit(this, least, figures)) : Optional.empty();
    }

    /** All words of a vocabulary that fit, the clearest first. */
    public static List<Fit> fitting(List<Word> vocabulary, Map<Trait, Double> traits) {
        return vocabulary.stream().flatMap(w -> w.fits(traits).stream())
                .sorted(Comparator.comparingDouble((Fit f) -> -f.strength)).toList();
    }

    /**
     * Learns a word from an example with it and one without: the figures that differ most, each limit half-way.
     *
     * @return empty where nothing differs enough to be heard
     */
    public static Optional<Word> taughtBy(String name, About kind, Map<Trait, Double> with,
            Map<Trait, Double> without) {
        List<Condition> found = with.keySet().stream().filter(without::containsKey)
                .filter(t -> steps(t, with, without) >= CLEAR)
                .sorted(Comparator.comparingDouble((Trait t) -> -steps(t, with, without))).limit(MOST_CONDITIONS)
                .map(t -> half(t, with, without)).toList();
        return found.isEmpty() ? Optional.empty() : Optional.of(new Word(name, kind, found, true));
    }

    private static Condition half(Trait t, Map<Trait, Double> with, Map<Trait, Double> without) {
        double a = with.getOrDefault(t, 0.0);
        double b = without.getOrDefault(t, 0.0);
        return new Condition(t, a > b, (a + b) / 2);
    }

    private static double steps(Trait t, Map<Trait, Double> a, Map<Trait, Double> b) {
        return Math.abs(a.getOrDefault(t, 0.0) - b.getOrDefault(t, 0.0)) / t.step();
    }

    private static Word word(String name, About kind, Condition... conditions) {
        return new Word(name, kind, List.of(conditions), false);
    }

    private static Condition above(Trait trait, double limit) {
        return new Condition(trait, true, limit);
    }

    private static Condition below(Trait trait, double limit) {
        return new Condition(trait, false, limit);
    }

    /** The words that ship; players differ, so every one can be changed. */
    public static List<Word> shipped() {
        return List.of(word("muddy", About.COLOUR, above(Trait.LOW_MIDS, 4), below(Trait.PRESENCE, -1)),
                word("boxy", About.COLOUR, above(Trait.BOX, 4)), word("honky", About.COLOUR, above(Trait.HONK, 5)),
                word("glassy", About.COLOUR, above(Trait.PRESENCE, 5), below(Trait.DIRT, 0.35)),
                word("fizzy", About.COLOUR, above(Trait.AIR, 8), above(Trait.DIRT, 0.45)),
                word("thin", About.COLOUR, below(Trait.LOWS, -6), below(Trait.LOW_MIDS, -3)),
                word("dark", About.COLOUR, below(Trait.PRESENCE, -4), below(Trait.BITE, -3)),
                word("airy", About.COLOUR, above(Trait.AIR, 10), below(Trait.DIRT, 0.45)),
                word("full", About.COLOUR, above(Trait.LOWS, 6), above(Trait.LOW_MIDS, 0)),
                word("biting", About.COLOUR, above(Trait.BITE, 4)),
                word("tight", About.FEEL, below(Trait.ATTACK, 17), below(Trait.FALL, -35)),
                word("loose", About.FEEL, above(Trait.BASS_LEADS, 0.1), above(Trait.DIRT, 0.35)),
                word("stiff", About.FEEL, above(Trait.SPREAD, 22), below(Trait.DIRT, 0.3)),
                word("springy", About.FEEL, below(Trait.SPREAD, 13), below(Trait.DIRT, 0.45), below(Trait.ATTACK, 22)),
                word("quick", About.FEEL, below(Trait.ATTACK, 11)),
                word("rounded", About.FEEL, above(Trait.ATTACK, 26)),
                word("roomy", About.FEEL, above(Trait.ROOM, 0.5)),
                word("dry", About.FEEL, below(Trait.ROOM, 0.05), below(Trait.ECHO, -24)));
    }
}
