package verisonus.core.evidence.replay;

import java.util.Arrays;
import java.util.SplittableRandom;

/**
 * How large a statistic is by chance: each note's contribution is given a sign at random, for what the playing did otherwise is as
 * likely up as down, while an effect goes on through all notes (sign-flipping inference; A. Winkler et al., NeuroImage 2014).
 * Seeded, so that results repeat.
 */
final class SignedNotes {
    private final double[][] signs;

    SignedNotes(int notes, int draws) {
        SplittableRandom random = new SplittableRandom(draws);
        signs = new double[draws][Math.max(1, notes)];
        for (double[] s : signs) for (int n = 0; n < s.length; n++) s[n] = random.nextBoolean() ? 1 : -1;
    }

    int draws() {
        return signs.length;
    }

    double[] draw(int d) {
        return signs[d];
    }

    /** Where a statistic stands among those of chance. */
    record Standing(double statistic, double mean, double z, double high) {
        static Standing of(double statistic, double[] chance) {
            double mean = Arrays.stream(chance).average().orElse(0);
            double square = Arrays.stream(chance).map(v -> (v - mean) * (v - mean)).average().orElse(0);
            double[] sorted = chance.clone();
            Arrays.sort(sorted);
            return new Standing(statistic, mean, (statistic - mean) / Math.sqrt(square + 1e-12),
                    sorted[(int) (0.95 * (sorted.length - 1))]);
        }
    }
}
