package verisonus.core.search.rests;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.function.UnaryOperator;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.LevelCurve;
import verisonus.core.sound.Sound;
import verisonus.core.work.Parallel;
import verisonus.core.work.Progress;

/**
 * A gate found by playing through it: gates of rising threshold before the tone are held against the record by the levels of their
 * rests. A record whose rests hiss is left at once, a silent one is come nearer to. Whether a gate or a quieter guitar made it silent
 * cannot be told, and need not be. On pairs that were not tuned on, see the replay report in {@code bench}.
 *
 * @param block the gate with which the take rests most as the record does
 * @param beforeDb mean difference of the soft parts without it
 * @param afterDb with it
 */
public record RestGate(Block block, double beforeDb, double afterDb) {
    private static final double[] OVER_NOISE_DB = {6, 12, 18, 24};
    private static final double[] RELEASES_MS = {30, 100};
    private static final double DEPTH_DB = 60;
    private static final double LOWEST_DB = -85;
    private static final double HIGHEST_DB = -30;
    /** Less than that between the rests is the hands' and the guitars'. */
    private static final double HISSES_DB = 8;
    /** Softer than that against the loud parts nobody hears a rest hiss. */
    private static final double HEARD_DB = -58;
    /** A take as quiet as that against its playing does not hiss: what is heard then is too much gain, which a gate would hide. */
    private static final double QUIET_DB = -58;
    private static final double LOUD_QUANTILE = 0.95;
    private static final double WORTH_DB = 2;
    private static final double WORTH = 0.25;
    private static final double NOISE_QUANTILE = 0.02;

    /**
     * Tries some gates.
     *
     * @param gate the player's own, or a neutral one
     * @param reference the record, the guitar alone
     * @param take the player's, dry, in time with it and as long; what it does not cover is left out on both sides
     * @param open what the tone without effects makes of the take
     * @param tone that tone
     * @return empty where none brings the rests clearly nearer
     */
    public static Optional<RestGate> nearest(Block gate, Sound reference, Sound take, Sound open,
            UnaryOperator<Sound> tone, ExecutorService workers) {
        Covered c = Covered.by(take);
        RestLevels wanted = RestLevels.of(c.cut(reference));
        RestLevels hissing = RestLevels.of(c.cut(open));
        double before = wanted.distanceDb(hissing);
        // Rests as soft as the record's leave nothing to shut.
        if (hissing.overDb(wanted) < HISSES_DB || hissing.db()[0] < HEARD_DB) return Optional.empty();
        Sound played = c.cut(take);
        double noise = levelDb(played, NOISE_QUANTILE);
        if (noise - levelDb(played, LOUD_QUANTILE) < QUIET_DB) return Optional.empty();
        List<Callable<RestGate>> work = new ArrayList<>();
        for (double over : OVER_NOISE_DB) {
            for (double release : RELEASES_MS) {
                Block b = gate.with(ControlNames.THRESHOLD, Math.clamp(noise + over, LOWEST_DB, HIGHEST_DB))
                        .with(ControlNames.DEPTH, DEPTH_DB).with(ControlNames.RELEASE, release);
                work.add(() -> new RestGate(b, before,
                        wanted.distanceDb(RestLevels.of(tone.apply(shut(b, played))))));
            }
        }
        return Parallel.all(work, workers).stream().min(Comparator.comparingDouble(RestGate::afterDb))
                .filter(g -> before - g.afterDb >= Math.max(WORTH_DB, WORTH * before));
    }

    /** Where a take that was laid under a record plays: before and after it there is nothing at all, which is no rest. */
    private record Covered(double fromS, double toS) {
        static Covered by(Sound take) {
            float[] x = take.mid();
            int from = 0;
            int to = x.length;
            while (from < to && x[from] == 0) from++;
            while (to > from && x[to - 1] == 0) to--;
            return new Covered((double) from / take.rateHz(), (double) to / take.rateHz());
        }

        Sound cut(Sound s) {
            return s.slice(fromS, toS);
        }
    }

    private static Sound shut(Block gate, Sound take) {
        return Renderer.render(new Tone("gate", List.of(gate)), take, Quality.DRAFT, Progress.NONE);
    }

    /** A quantile of a take's level: a low one is what it picks up where nothing is played. */
    private static double levelDb(Sound take, double quantile) {
        int frame = take.rateHz() / 50;
        double[] level = LevelCurve.of(take.mid(), frame, frame);
        if (level.length == 0) return LOWEST_DB;
        Arrays.sort(level);
        return level[(int) (quantile * (level.length - 1))];
    }
}
