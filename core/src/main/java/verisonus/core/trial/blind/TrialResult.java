package verisonus.core.trial.blind;

import verisonus.core.work.Figures;

/**
 * What a blind trial came to.
 *
 * @param toldApart whether the answers say that the two can be told apart
 * @param chance how likely guessing gives as many right answers or more
 * @param low lower end of the share of right answers, 95 % (Clopper-Pearson)
 * @param high its upper end
 */
public record TrialResult(int right, int of, boolean toldApart, double chance, double low, double high) {
    private static final double CONFIDENCE = 0.95;
    private static final int ENOUGH = 16;

    static TrialResult of(BlindTrial t, boolean toldApart) {
        double[] interval = BinomialStatistics.interval(t.right(), t.of(), CONFIDENCE);
        return new TrialResult(t.right(), t.of(), toldApart, BinomialStatistics.chance(t.right(), t.of()), interval[0],
                interval[1]);
    }

    /** "13 of 16: you can tell them apart; by chance that happens once in 95." */
    public String words() {
        String share = Figures.of(" Your share of right answers lies between %.0f and %.0f %%.",
                100 * low,
                100 * high);
        if (toldApart) {
            return Figures.of("%d of %d: you can tell them apart; by chance that happens once in %.0f.",
                    right,
                    of, 1 / Math.max(chance, 1e-9)) + share;
        }
        return Figures.of("%d of %d: you were not shown to tell them apart; by chance that happens %s.",
                right, of, chance > 0.3 ? "often" : Figures.of("once in %.0f", 1 / chance)) + share
                + (of < ENOUGH ? " That was few trials: a small difference would need more." : "");
    }

}
