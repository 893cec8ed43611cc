package verisonus.core.evidence.replay;

import java.util.Arrays;
import java.util.OptionalDouble;
import java.util.function.DoublePredicate;
import verisonus.core.evidence.movement.SideDelays;
import verisonus.core.sound.Sound;

/**
 * What stands in a sound beside the dry notes, whatever makes it: what comes soon and late after them, how loud it is between them, how
 * far it sways and sweeps, how wide it is. It needs no finding, so a hall or an echo that no estimator can name is still heard as a
 * difference. Two sounds are read against the same replay and compared; what playing it again does then drops out for the most part.
 *
 * @param late what comes 450 to 1250 ms after the notes
 * @param soon the same from 150 to 450 ms
 * @param betweenDb level where notes have stopped, against the notes; absent where none is stopped
 * @param swayHz rate of the strongest sway, where it stands out of the playing
 * @param swayDb swing of the level at the asked rate, peak to peak
 * @param sweep how much better a sweeping comb fits than it would by chance
 * @param sideDb difference of the sides against the middle
 */
public record UnexplainedRest(After late, After soon, OptionalDouble betweenDb, OptionalDouble swayHz, double swayDb,
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
        Ringing ringing = Ringing.of(fit);
        LevelSway level = new LevelSway(fit);
        OptionalDouble own = OptionalDouble.empty();
        if (atHz.isEmpty()) {
            LevelSway.Strongest s = level.strongest();
            if (s.isOverChance(OVER_CHANCE)) own = OptionalDouble.of(s.rateHz());
        }
        OptionalDouble at = atHz.isPresent() ? atHz : own;
        CombSweep.Strongest sweep = new CombSweep(fit).strongest();
        return new UnexplainedRest(ringing.late, ringing.soon, ringing.betweenDb, at,
                at.isPresent() ? level.swingDb(at.getAsDouble()) : 0,
                sweep.standing().statistic() - sweep.standing().mean(), SideDelays.sideDb(sound));
    }

    /**
     * What rings, alone.
     *
     * @param late what comes 450 to 1250 ms after the notes
     * @param soon the same from 150 to 450 ms
     * @param betweenDb level where notes have stopped, against the notes; absent where none is stopped
     */
    public record Ringing(After late, After soon, OptionalDouble betweenDb) {
        /** Reads a sound against a replay. */
        public static Ringing of(Sound sound, Sound replay, DoublePredicate window) {
            return of(new DirectFit(sound, replay, DirectFit.Tails.LEFT, window));
        }

        private static Ringing of(DirectFit fit) {
            RepeatEnergy energy = RepeatEnergy.of(fit);
            return new Ringing(After.of(energy, LATE_FROM, LATE_TO), After.of(energy, SOON_FROM, LATE_FROM),
                    new ReplayReverb(fit, false).gapDb());
        }
    }

    /**
     * What comes after the notes, against them.
     *
     * @param db its level
     * @param chance power that stands as long before the notes: what the playing and repeated notes make
     */
    public record After(double db, double chance) {
        private static After of(RepeatEnergy energy, int from, int to) {
            double after = 0;
            double before = 0;
            for (int b = 0; b < BAND_WEIGHTS.length; b++) {
                for (int l = from; l < to; l++) {
                    after += BAND_WEIGHTS[b] * Math.max(0, energy.gain()[b][l]);
                    before += BAND_WEIGHTS[b] * Math.max(0, energy.before()[b][l]);
                }
            }
            double all = Arrays.stream(BAND_WEIGHTS).sum();
            return new After(10 * Math.log10(after / all + NEXT_TO_NOTHING), before / all);
        }

        /** The same with the chance of another sound in it, so that both are read through the same playing. */
        public double throughDb(After other) {
            return 10 * Math.log10(Math.pow(10, db / 10) + Math.max(0, other.chance - chance));
        }
    }
}
