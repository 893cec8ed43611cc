package verisonus.core.search.unexplained;

import java.util.OptionalDouble;
import verisonus.core.evidence.replay.UnexplainedRest;

/**
 * What stands beside the notes of a tone, as another take would show it. Read by its own take a tone shows all of it, a record read by a
 * replay only a part: of a right tone more seems to be there than on the record, and that is no difference of theirs.
 */
final class AsReplayed {
    /** What rings reads lower by this through another hand's take, as measured on right tones of replays. */
    static final double HIDDEN_DB = 2.2;
    /** Of a sway such a take shows this share, and of a sweep this. */
    private static final double SEEN_OF_A_SWAY = 0.8;
    private static final double SEEN_OF_A_SWEEP = 0.25;

    private AsReplayed() {}

    /**
     * @param has the tone by its own take
     * @param wanted the record by the same take
     * @param bare the tone without its effects: what its take leaves between the notes is the hand's
     */
    static UnexplainedRest of(UnexplainedRest has, UnexplainedRest wanted, UnexplainedRest bare) {
        return new UnexplainedRest(less(has.late(), wanted.late()), less(has.soon(), wanted.soon()),
                between(has, wanted, bare), has.swayHz(),
                less(has.swayDb(), wanted.swayDb(), SEEN_OF_A_SWAY * has.swayDb()),
                less(has.sweep(), wanted.sweep(), SEEN_OF_A_SWEEP * has.sweep()), has.sideDb());
    }

    private static OptionalDouble between(UnexplainedRest has, UnexplainedRest wanted, UnexplainedRest bare) {
        if (has.betweenDb().isEmpty() || wanted.betweenDb().isEmpty()) return has.betweenDb();
        double mine = has.betweenDb().getAsDouble();
        double theirs = wanted.betweenDb().getAsDouble();
        double byHand = Math.max(theirs, bare.betweenDb().orElse(theirs));
        return OptionalDouble.of(mine <= byHand
                ? Math.min(mine, theirs)
                : theirs + Math.max(0, mine - byHand - HIDDEN_DB));
    }

    private static UnexplainedRest.After less(UnexplainedRest.After has, UnexplainedRest.After wanted) {
        return new UnexplainedRest.After(less(has.db(), wanted.db(), has.db() - HIDDEN_DB), has.chance());
    }

    /** What is over the wanted as it would be seen, but no less than the wanted; what is under it stays. */
    private static double less(double has, double wanted, double seen) {
        return has > wanted ? Math.max(wanted, seen) : has;
    }
}
