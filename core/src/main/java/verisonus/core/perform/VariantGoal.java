package verisonus.core.perform;

import java.util.Collections;
import java.util.EnumMap;
import java.util.Map;
import java.util.OptionalDouble;

/**
 * What a variant shall be against the tone it is made from, in what a listener notices. What is not asked for stays.
 *
 * @param by how much more of each, in the unit of its scale: loudness in LU (0: as loud), dirt as {@link verisonus.core.compare.Driven}
 *        reads it, brightness and body in dB, the ring of a note in seconds until it has fallen by {@value ToneNotices#RING_DB} dB, the
 *        first repeat's level in dB, the decay of the space in seconds
 */
public record VariantGoal(Map<Noticed, Double> by) {
    public static final VariantGoal NOTHING = new VariantGoal(Map.of());

    /** @throws IllegalArgumentException where more is asked for than anybody can mean */
    public VariantGoal {
        by.forEach(VariantGoal::check);
        by = Collections.unmodifiableMap(by.isEmpty() ? new EnumMap<>(Noticed.class) : new EnumMap<>(by));
    }

    private static void check(Noticed what, double by) {
        if (!(Math.abs(by) <= what.mostAsked()))
            throw new IllegalArgumentException(
                    what.words() + " by " + by + " is outside " + -what.mostAsked() + " to " + what.mostAsked());
    }

    /** The same goal with this much more of something. */
    public VariantGoal with(Noticed what, double more) {
        Map<Noticed, Double> out = new EnumMap<>(Noticed.class);
        out.putAll(by);
        out.put(what, more);
        return new VariantGoal(out);
    }

    /** How much more of it is asked for; empty where it stays. */
    public OptionalDouble of(Noticed what) {
        return by.containsKey(what) ? OptionalDouble.of(by.get(what)) : OptionalDouble.empty();
    }

    public VariantGoal louder(double lu) {
        return with(Noticed.LOUDNESS, lu);
    }

    public VariantGoal dirtier(double more) {
        return with(Noticed.DIRT, more);
    }

    public VariantGoal longer(double seconds) {
        return with(Noticed.SPACE, seconds);
    }

    public VariantGoal repeating(double db) {
        return with(Noticed.REPEATS, db);
    }
}
