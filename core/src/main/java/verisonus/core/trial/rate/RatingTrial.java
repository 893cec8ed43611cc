package verisonus.core.trial.rate;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;

/**
 * Several sounds rated against a known reference: unlabelled, in another order each round, with the reference itself hidden among them
 * and a low anchor (after ITU-R BS.1534-3, its 3.5 kHz anchor; the scale asks for likeness here, not for quality).
 *
 * @param names of the candidates, in a fixed order that the listener does not see
 * @param rounds how often each is rated
 * @param seed what the orders are drawn from
 * @param given ratings of the rounds done, 0 to 100, by candidate: the hidden reference first, the anchor second, then the candidates
 */
public record RatingTrial(List<String> names, int rounds, long seed, List<List<Integer>> given) {
    public static final int FEWEST_ROUNDS = 3;
    public static final int MOST_CANDIDATES = 8;
    /** Words of the scale, from its bottom; a fifth of it each. */
    public static final List<String> WORDS = List.of("another sound", "clearly other", "related", "near", "the same");
    public static final String HIDDEN = "hidden record";
    public static final String ANCHOR = "low anchor";
    public static final double ANCHOR_HZ = 3500;
    private static final int OWN = 2;

    public RatingTrial {
        names = List.copyOf(names);
        given = given.stream().map(List::copyOf).toList();
        if (names.isEmpty() || names.size() > MOST_CANDIDATES)
            throw new IllegalArgumentException(names.size() + " candidates are not 1 to " + MOST_CANDIDATES);
        if (rounds < FEWEST_ROUNDS || given.size() > rounds) throw new IllegalArgumentException(rounds + " rounds");
        for (List<Integer> round : given) {
            if (round.size() != names.size() + OWN || round.stream().anyMatch(v -> v < 0 || v > 100))
                throw new IllegalArgumentException("a round with other ratings than one of 0 to 100 for each sound");
        }
    }

    public static RatingTrial begin(List<String> names, int rounds, long seed) {
        return new RatingTrial(names, rounds, seed, List.of());
    }

    /** How many sounds a round has: the candidates, the hidden reference and the anchor. */
    public int sounds() {
        return names.size() + OWN;
    }

    /** Which sound stands at each place in a round: 0 the hidden reference, 1 the anchor, then the candidates. */
    public List<Integer> order(int round) {
        List<Integer> out = new ArrayList<>();
        for (int i = 0; i < sounds(); i++) out.add(i);
        Collections.shuffle(out, new Random(seed * 31 + round));
        return out;
    }

    public boolean isEnded() { return given.size() == rounds; }

    /** With the ratings of one more round, by place. */
    public RatingTrial rated(List<Integer> byPlace) {
        if (isEnded()) throw new IllegalStateException("all rounds are rated");
        List<Integer> order = order(given.size());
        Integer[] bySound = new Integer[sounds()];
        for (int place = 0; place < byPlace.size(); place++) bySound[order.get(place)] = byPlace.get(place);
        List<List<Integer>> all = new ArrayList<>(given);
        all.add(List.of(bySound));
        return new RatingTrial(names, rounds, seed, all);
    }

    /** Name of a sound of a round. */
    public String name(int sound) {
        return sound == 0 ? HIDDEN : sound == 1 ? ANCHOR : names.get(sound - OWN);
    }

    /** The word at a rating. */
    public static String word(double rating) {
        return WORDS.get(Math.clamp((int) (rating / 20), 0, WORDS.size() - 1));
    }
}
