package verisonus.core.perform;

import java.util.OptionalDouble;

/**
 * What a variant shall be against the tone it is made from. What is not asked for stays.
 *
 * @param louderLu loudness, LU; 0: as loud
 * @param dirt how much further the playing is held back ({@link verisonus.core.compare.Driven}), −1 to 1
 * @param longerDecayS how much longer the space decays, s
 * @param repeatsDb how much louder the echo's first repeat is against the note, dB
 */
public record VariantGoal(OptionalDouble louderLu, OptionalDouble dirt, OptionalDouble longerDecayS,
        OptionalDouble repeatsDb) {
    public static final VariantGoal NOTHING = new VariantGoal(OptionalDouble.empty(), OptionalDouble.empty(),
            OptionalDouble.empty(), OptionalDouble.empty());

    public VariantGoal {
        check("loudness", louderLu, -30, 30);
        check("dirt", dirt, -1, 1);
        check("decay", longerDecayS, -8, 8);
        check("repeats", repeatsDb, -60, 60);
    }

    private static void check(String what, OptionalDouble v, double least, double most) {
        if (v.isPresent() && !(v.getAsDouble() >= least && v.getAsDouble() <= most))
            throw new IllegalArgumentException(
                    what + " by " + v.getAsDouble() + " is outside " + least + " to " + most);
    }

    public VariantGoal louder(double lu) {
        return new VariantGoal(OptionalDouble.of(lu), dirt, longerDecayS, repeatsDb);
    }

    public VariantGoal dirtier(double by) {
        return new VariantGoal(louderLu, OptionalDouble.of(by), longerDecayS, repeatsDb);
    }

    public VariantGoal longer(double seconds) {
        return new VariantGoal(louderLu, dirt, OptionalDouble.of(seconds), repeatsDb);
    }

    public VariantGoal repeating(double db) {
        return new VariantGoal(louderLu, dirt, longerDecayS, OptionalDouble.of(db));
    }
}
