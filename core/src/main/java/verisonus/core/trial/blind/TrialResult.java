package verisonus.core.trial.blind;

import verisonus.core.work.Figures;

/**
 * What a blind trial came to.
 *
 * @param toldApart whether the answers say that the two can be told apart
 * @param chance how likely guessing comes to this or to something that says more, under the rule by which the trial ended
 * @param turned how likely guessing gives as few right answers or fewer
 * @param low lower end of the share of right answers, 95 % (Clopper-Pearson)
 * @param high its upper end
 */
public record TrialResult(int right, int of, boolean toldApart, double chance, double turned, double low,
        double high) {
    private static final double CONFIDENCE = 0.95;
    private static final int ENOUGH = 16;
    /** As rare on its side as what counts as told apart on the other. */
    private static final double TURNED = 0.025;

    static TrialResult of(BlindTrial t, boolean toldApart) {
        double[] interval = BinomialStatistics.interval(t.right(), t.of(), CONFIDENCE);
        return new TrialResult(t.right(), t.of(), toldApart, t.rule().chance(t.right(), t.of()),
                BinomialStatistics.chance(t.of() - t.right(), t.of()), interval[0], interval[1]);
    }

    /** Whether the answers are wrong so often that guessing hardly does it: a difference is heard and taken for its opposite. */
    public boolean isTurned() {
        return turned <= TURNED;
    }

    /** "13 of 16: you can tell them apart; by chance that happens once in 95." */
    public String words() {
        String share = Figures.of(" Your share of right answers lies between %.0f and %.0f %%, 95 %% sure.",
                100 * low,
                100 * high);
        if (isTurned()) {
            return Figures.of("%d of %d: nearly always the wrong one, which happens by chance once in %.0f. You hear a"
                    + " difference and take one for the other.", right, of, 1 / Math.max(turned, 1e-9)) + share;
        }
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
