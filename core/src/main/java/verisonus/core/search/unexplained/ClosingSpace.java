package verisonus.core.search.unexplained;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import verisonus.core.evidence.replay.ReplayExamination;
import verisonus.core.evidence.replay.UnexplainedRest.Ringing;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.MixLaw;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.work.Parallel;
import verisonus.core.work.Progress;

/**
 * A space that closes what rings after and between the notes of a record and not of the tone. Strings that are left to ring and a hall
 * fill the same moments, so that neither the tails alone nor the way to the nearest space can always tell; but strings hardly ever leave
 * all three readings, soon after the notes, late after them and between them, so far behind at once. Decay and level are those
 * with which the three come nearest; of those that come equally near, the likeliest.
 */
public final class ClosingSpace {
    /** What every reading must miss, and all together, dB. */
    private static final double EACH_DB = 2;
    private static final double TOGETHER_DB = 11;
    private static final double[] DECAYS_S = {0.8, 1.3, 2, 3};
    private static final double[] LEVELS_DB = {-17, -14, -11, -8};
    /** Between the notes strings ring on more than after them. */
    private static final double[] WEIGHTS = {1, 1, 0.5};
    /** A longer decay at a lower level and a shorter one at a higher are nearly alike: what an octave from the likely one costs. */
    private static final double USUAL_S = 1.6;
    private static final double UNLIKELY_DB = 1;
    /** Where strings ring on as well, the space is not to fill all of it. */
    private static final double OF_THE_STRINGS_DB = 1;

    private final Sound reference;
    private final Sound core;
    private final Sound soFar;
    private final ReplayExamination.Setting setting;
    private final ExecutorService workers;

    private record Tried(Block space, double offDb) {}

    /**
     * @param core the dry tone on the take, in time with the reference
     * @param soFar the same with the effects that were found
     */
    public ClosingSpace(Sound reference, Sound core, Sound soFar, ReplayExamination.Setting setting,
            ExecutorService workers) {
        this.reference = reference;
        this.core = core;
        this.soFar = soFar;
        this.setting = setting;
        this.workers = workers;
    }

    /**
     * The space; empty where the readings do not agree that one is missing.
     *
     * @param unit what makes it
     * @param heardS decay that was heard in the tails
     */
    public Optional<Block> of(Block unit, double heardS) {
        List<Callable<Ringing>> both = List.of(() -> read(reference), () -> read(soFar));
        List<Ringing> rung = Parallel.all(both, workers);
        Ringing wanted = rung.get(0);
        Optional<double[]> missing = missingDb(wanted, rung.get(1));
        if (missing.isEmpty() || !agree(missing.get())) return Optional.empty();
        double likelyS = Math.sqrt(heardS * USUAL_S);
        List<Callable<Tried>> work = new ArrayList<>();
        for (double decayS : DECAYS_S) {
            double unlikely = UNLIKELY_DB * Math.abs(Math.log(decayS / likelyS) / Math.log(2));
            for (double db : LEVELS_DB) {
                Block space = unit.with(ControlNames.DECAY, decayS).with(ControlNames.MIX,
                        Math.rint(10 * MixLaw.of(unit).percentFor(db)) / 10);
                work.add(() -> new Tried(space, offDb(wanted, read(in(space))) + unlikely));
            }
        }
        return Parallel.all(work, workers).stream().min(Comparator.comparingDouble(Tried::offDb)).map(Tried::space);
    }

    private Sound in(Block space) {
        return Renderer.render(new Tone("in a space", List.of(space)), soFar, Quality.DRAFT, Progress.NONE);
    }

    private Ringing read(Sound sound) {
        return Ringing.of(sound, core, setting.window());
    }

    private static boolean agree(double[] missingDb) {
        double sum = 0;
        for (double m : missingDb) {
            if (m < EACH_DB) return false;
            sum += m;
        }
        return sum >= TOGETHER_DB;
    }

    /** By how much a record is over a sound late after its notes, soon after them, and between them; empty where no note is stopped. */
    static Optional<double[]> missingDb(Ringing wanted, Ringing has) {
        if (wanted.betweenDb().isEmpty() || has.betweenDb().isEmpty()) return Optional.empty();
        return Optional.of(new double[]{wanted.late().db() - has.late().throughDb(wanted.late()),
                wanted.soon().db() - has.soon().throughDb(wanted.soon()),
                wanted.betweenDb().getAsDouble() - has.betweenDb().getAsDouble()});
    }

    private static double offDb(Ringing wanted, Ringing has) {
        double sum = 0;
        double[] missing = missingDb(wanted, has).orElse(new double[WEIGHTS.length]);
        for (int i = 0; i < missing.length; i++) sum += WEIGHTS[i] * Math.pow(missing[i] - OF_THE_STRINGS_DB, 2);
        return Math.sqrt(sum);
    }
}
