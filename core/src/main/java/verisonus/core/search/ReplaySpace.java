package verisonus.core.search;

import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.function.ToDoubleFunction;
import java.util.function.ToDoubleFunction;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.MixLaw;
import verisonus.core.work.Parallel;

/**
 * A space found by playing through it: the core with spaces of rising decay and level behind it is held against the reference. A dry record is left at once by any space, a wet one is come nearer to; ringing strings, which
 * deceive what listens to the tails, make no difference here.
 *
 * @param block the nearest space
 * @param decayS its decay
 * @param levelDb its level under the dry sound
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

    /** Whether it came to rest at the loudest that was tried: what wants ever more of a space is no space, but strings that ring on. */
    boolean isAtTheLoudest() {
        return levelDb >= LOUDEST_DB;
    }

    private record Tried(double decayS, double db, double score) {}

    /**
     * @param distance how far the core with some blocks behind it is from the reference
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
