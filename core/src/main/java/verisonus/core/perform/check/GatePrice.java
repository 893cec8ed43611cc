package verisonus.core.perform.check;

import java.util.Optional;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.LevelCurve;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.Progress;

/**
 * What a gate costs in sustain and gives in silence, by playing with it and without.
 *
 * @param cutS seconds in which notes still ring and the gate holds them down
 * @param ringsS seconds in which notes ring at all
 * @param quieterDb by how much the rests are quieter with it
 * @param gentlerDb a threshold that would cut next to nothing; absent where even the lowest cuts
 * @param gentlerQuieterDb what the rests would gain there
 */
public record GatePrice(double cutS, double ringsS, double quieterDb, Optional<Double> gentlerDb,
        double gentlerQuieterDb) {
    /** A note is heard until it is this far under the loudest. */
    private static final double HEARD_DB = -45;
    private static final double HELD_DOWN_DB = 6;
    private static final double STEP_DB = 3;
    private static final double LOWEST_DB = -90;
    private static final double NEXT_TO_NOTHING = 0.01;
    private static final double HOP_S = 0.01;

    /** Empty where the gate takes nothing that is heard. */
    static Optional<GatePrice> of(Tone tone, Block gate, Sound dry) {
        double[] open = levels(tone.with(gate.switched(false)), dry);
        GatePrice now = at(tone, gate, dry, open, gate.get(ControlNames.THRESHOLD));
        if (now.cutS < NEXT_TO_NOTHING * now.ringsS) return Optional.empty();
        for (double t = gate.get(ControlNames.THRESHOLD) - STEP_DB; t >= LOWEST_DB; t -= STEP_DB) {
            GatePrice less = at(tone, gate, dry, open, t);
            if (less.cutS <= NEXT_TO_NOTHING * less.ringsS)
                return Optional.of(new GatePrice(now.cutS, now.ringsS, now.quieterDb, Optional.of(t), less.quieterDb));
        }
        return Optional.of(now);
    }

    private static GatePrice at(Tone tone, Block gate, Sound dry, double[] open, double thresholdDb) {
        double[] gated = levels(tone.with(gate.with(ControlNames.THRESHOLD, thresholdDb)), dry);
        double top = -200;
        for (double l : open) top = Math.max(top, l);
        int rings = 0;
        int cut = 0;
        double rest = 0;
        double restGated = 0;
        int rests = 0;
        for (int t = 0; t < Math.min(open.length, gated.length); t++) {
            if (open[t] > top + HEARD_DB) {
                rings++;
                if (gated[t] < open[t] - HELD_DOWN_DB) cut++;
            } else {
                rests++;
                rest += open[t];
                restGated += Math.max(gated[t], -120);
            }
        }
        return new GatePrice(cut * HOP_S, rings * HOP_S, rests == 0 ? 0 : (rest - restGated) / rests, Optional.empty(),
                0);
    }

    private static double[] levels(Tone tone, Sound dry) {
        Sound played = Renderer.render(tone, dry, Optional.of(dry), Quality.DRAFT, Progress.NONE);
        int hop = (int) (HOP_S * played.rateHz());
        return LevelCurve.of(played.mid(), 2 * hop, hop);
    }

    public String words() {
        String price = Figures.of("the gate holds down %.1f s of the %.1f s in which notes ring", cutS,
                ringsS);
        String gain = quieterDb > 1 ? Figures.of(", for rests %.0f dB quieter", quieterDb) : "";
        return price + gain
                + gentlerDb.map(t -> Figures.read("; at %.0f dB it would leave them, rests %.0f dB"
                        + " quieter", t, Math.max(0, gentlerQuieterDb))).orElse("");
    }
}
