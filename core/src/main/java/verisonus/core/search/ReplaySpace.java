package verisonus.core.search;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.function.ToDoubleFunction;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.MixLaw;
import verisonus.core.work.Parallel;

/**
 * A space found by playing through it: the core with spaces of rising decay and level behind it is held against the reference. A dry
 * record is left at once by any space, a wet one is come nearer to; ringing strings, which deceive what listens to the tails, deceive
 * it less.
 *
 * @param block the nearest space
 * @param decayS its decay, s
 * @param levelDb its level under the dry sound, dB
 * @param gain how much nearer it comes than none, as a share of the distance
 * @param harm how much further away a usual hall leaves the core: where it does no harm, nothing can be told
 */
record ReplaySpace(Block block, double decayS, double levelDb, double gain, double harm) {
    private static final double[] DECAYS_S = {0.5, 0.9, 1.6, 2.8};
    private static final double[] LEVELS_DB = {-16, -11, -7};
    private static final double FINER = 1.33;
    private static final double FINER_DB = 2.5;
    private static final double LOUDEST_DB = -3;
    private static final double USUAL_S = 1.6;
    private static final double USUAL_DB = -11;

    /**
     * Share of the aligned spectra's distance that a space must bring where it was heard in the tails too: of 36 replays (even seeds 0
     * to 70) the 30 dry ones gained 0.011 at the most, five of six halls 0.015 and more.
     */
    private static final double GAINS_IF_HEARD = 0.0125;
    /** The same where nobody heard one: the one such hall of those seeds gained 0.10, an echo that was missed passes for a little. */
    private static final double GAINS_UNHEARD = 0.03;
    /** A shorter one is not told from a box and from the place where it was miked, s. */
    private static final double SHORTEST_S = 0.6;

    /**
     * Whether the gain by aligned spectra means a space.
     *
     * @param heardS decay of the space that was heard in the tails; empty where none was
     */
    boolean isBelieved(OptionalDouble heardS) {
        boolean lasts = heardS.isPresent() ? lasts(heardS.getAsDouble()) : lasts(decayS);
        return gain >= (heardS.isPresent() ? GAINS_IF_HEARD : GAINS_UNHEARD) && lasts && !isAtTheLoudest();
    }

    /** Whether a space of this decay is told from the ring of a miked box. */
    static boolean lasts(double decayS) {
        return decayS >= SHORTEST_S;
    }

    /** Whether it came to rest at the loudest tried: what wants ever more of a space is no space, but strings that ring on. */
    private boolean isAtTheLoudest() {
        return levelDb > LEVELS_DB[LEVELS_DB.length - 1];
    }

    private record Tried(double decayS, double db, double score) {}

    /**
     * @param distance how far the core with some blocks behind it is from the reference
     * @param unit the space to try
     * @param before echo that was found
     */
    static ReplaySpace nearest(ToDoubleFunction<List<Block>> distance, List<Block> before, Block unit,
            ExecutorService workers) {
        double dry = distance.applyAsDouble(before);
        List<double[]> places = new ArrayList<>();
        for (double d : DECAYS_S) for (double db : LEVELS_DB) places.add(new double[]{d, db});
        Tried best = best(distance, before, unit, places, workers);
        places.clear();
        for (double d : new double[]{best.decayS / FINER, best.decayS, best.decayS * FINER})
            for (double db : new double[]{best.db - FINER_DB, best.db, Math.min(LOUDEST_DB, best.db + FINER_DB)})
                places.add(new double[]{d, db});
        Tried finer = best(distance, before, unit, places, workers);
        List<Block> usual = new ArrayList<>(before);
        usual.add(set(unit, USUAL_S, USUAL_DB));
        return new ReplaySpace(set(unit, finer.decayS, finer.db), finer.decayS, finer.db, 1 - finer.score / dry,
                distance.applyAsDouble(usual) / dry - 1);
    }

    private static Tried best(ToDoubleFunction<List<Block>> distance, List<Block> before, Block unit,
            List<double[]> places,
            ExecutorService workers) {
        List<Callable<Tried>> work = new ArrayList<>();
        for (double[] p : places) {
            List<Block> behind = new ArrayList<>(before);
            behind.add(set(unit, p[0], p[1]));
            work.add(() -> new Tried(p[0], p[1], distance.applyAsDouble(behind)));
        }
        return Parallel.all(work, workers).stream().min(java.util.Comparator.comparingDouble(Tried::score))
                .orElseThrow();
    }

    private static Block set(Block unit, double decayS, double db) {
        return unit.with(ControlNames.DECAY, Math.rint(20 * decayS) / 20).with(ControlNames.MIX,
                Math.rint(10 * MixLaw.of(unit).percentFor(db)) / 10);
    }
}
