package verisonus.core.evidence.replay;

import java.util.Arrays;
import java.util.OptionalDouble;
import java.util.function.DoublePredicate;
import verisonus.core.sound.Sound;

/**
 * What stands in a sound beside the dry notes, whatever makes it: what comes soon and late after them, how loud it is between them, how
 * far it sways and sweeps, how wide it is. It needs no finding, so a hall or an echo that no estimator can name is still heard as a
 * difference. Two sounds are read against the same replay and compared; what playing it again does then drops out for the most part.
 *
 * @param lateDb what comes 450 to 1250 ms after the notes, against them
 * @param soonDb the same from 150 to 450 ms
 * @param betweenDb level where notes have stopped, against the notes; absent where none is stopped
 * @param swayHz rate of the strongest sway, where it stands out of the playing
 * @param swayDb swing of the level at the asked rate, peak to peak
 * @param sweep how much better a sweeping comb fits than it would by chance
 * @param sideDb difference of the sides against the middle
 */
public record UnexplainedRest(double lateDb, double soonDb, OptionalDouble betweenDb, OptionalDouble swayHz, double swayDb,
        double sweep, double sideDb) {
    private static final double NEXT_TO_NOTHING = Math.pow(10, -2.6);
    private static final double[] BAND_WEIGHTS = {0.5, 1, 1, 1, 1, 0.5};
    private static final int SOON_FROM = 15;
    private static final int LATE_FROM = 45;
    private static final int LATE_TO = 125;
    private static final double OVER_CHANCE = 1.2;

    /**
     * Reads a sound.
     *
     * @param atHz rate at which the sway is read; where absent, that of the strongest
     */
    public static UnexplainedRest of(Sound sound, Sound replay, OptionalDouble atHz, DoublePredicate window) {
        DirectFit fit = new DirectFit(sound, replay, DirectFit.Tails.LEFT, window);
        RepeatEnergy energy = RepeatEnergy.of(fit);
        LevelSway level = new LevelSway(fit);
        OptionalDouble own = OptionalDouble.empty();
        if (atHz.isEmpty()) {
            LevelSway.Strongest s = level.strongest();
            if (s.isOverChance(OVER_CHANCE)) own = OptionalDouble.of(s.rateHz());
        }
        OptionalDouble at = atHz.isPresent() ? atHz : own;
        CombSweep.Strongest sweep = new CombSweep(fit).strongest();
        return new UnexplainedRest(later(energy, LATE_FROM, LATE_TO), later(energy, SOON_FROM, LATE_FROM),
                new ReplayReverb(fit, false).gapDb(), at, at.isPresent() ? level.swingDb(at.getAsDouble()) : 0,
                sweep.standing().statistic() - sweep.standing().mean(), SideSway.sideDb(sound));
    }

    private static double later(RepeatEnergy energy, int from, int to) {
        double sum = 0;
        for (int b = 0; b < BAND_WEIGHTS.length; b++)
            for (int l = from; l < to; l++) sum += BAND_WEIGHTS[b] * Math.max(0, energy.gain()[b][l]);
        return 10 * Math.log10(sum / Arrays.stream(BAND_WEIGHTS).sum() + NEXT_TO_NOTHING);
    }
}
