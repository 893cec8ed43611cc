package verisonus.core.perform;

import java.util.Optional;
import java.util.OptionalDouble;
import verisonus.core.evidence.level.DynamicsEstimator;
import verisonus.core.evidence.signs.OnsetCurve;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.LevelCurve;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * A tone whose notes die away as slowly as wished, as those of a bowed string or an organ in a recording: first by a compressor before
 * what clips, with the gentlest ratio that does it, then by more of an echo that is there. Loudness stays; what it costs is that the
 * rests come up too.
 */
public final class SustainSolver {
    private static final double PART_S = 6;
    private static final double[] RATIOS = {2, 3, 4, 6, 10};
    private static final double LOWEST_DB = -55;
    private static final double HIGHEST_DB = -6;
    private static final int HALVINGS = 6;
    private static final double MOST_MIX = 45;
    private static final double MIX_STEP = 5;
    private static final double NEAR_DB_PER_S = 1.5;

    private final Tone tone;
    private final Sound part;

    public SustainSolver(Tone tone, Sound phrase) {
        this.tone = tone;
        Sound dry = phrase.atRate(Sound.WORKING_RATE_HZ);
        part = LoudestPart.of(dry, PART_S).cut(dry);
    }

    /**
     * What came of it.
     *
     * @param wantedDbPerS how fast notes shall fall, below 0
     * @param beforeDbPerS how fast they fall now
     * @param afterDbPerS how fast with the tone found
     * @param restsDb by how much what lies between the notes comes up
     */
    public record Solved(Tone tone, double wantedDbPerS, double beforeDbPerS, double afterDbPerS, double restsDb) {
        /** Whether it comes as near as it is read. */
        public boolean isReached() {
            return Math.abs(afterDbPerS - wantedDbPerS) <= NEAR_DB_PER_S;
        }

        /** "notes fall by 12 dB a second instead of 26; rests come up by 7 dB". */
        public String words() {
            return Figures.of("notes fall by %.0f dB a second instead of %.0f", -afterDbPerS,
                    -beforeDbPerS)
                    + (isReached()
                            ? ""
                            : Figures.of(", %.0f was wished",
                                    -wantedDbPerS))
                    + (restsDb < 1
                            ? ""
                            : Figures.of("; rests come up by %.0f dB", restsDb));
        }
    }

    /** How fast notes fall, dB a second, below 0. @throws InputFault where no note is held long enough to say */
    public static double fallDbPerS(String name, Sound played) {
        OptionalDouble fall = fall(played);
        if (fall.isEmpty())
            throw new InputFault(name, "no note in it rings long enough to see how it falls",
                    "hold a few single notes");
        return fall.getAsDouble();
    }

    private static OptionalDouble fall(Sound played) {
        return DynamicsEstimator.estimate(played, OnsetCurve.of(played)).sustainDbPerS();
    }

    /** @throws InputFault where the phrase holds no long note, or notes shall fall faster than they do */
    public Solved towards(double wantedDbPerS, Progress progress) {
        progress.step(0.05, "listening to how notes fall");
        Sound before = played(tone);
        double now = fallDbPerS("the phrase", before);
        if (wantedDbPerS < now - NEAR_DB_PER_S)
            throw new InputFault("the goal",
                    Figures.of("notes shall fall by %.0f dB a second and fall by %.0f already", -wantedDbPerS, -now),
                    "less gain, or a gate with a short release, makes them shorter");
        Tone best = tone;
        double reached = now;
        for (int i = 0; i < RATIOS.length && reached < wantedDbPerS - NEAR_DB_PER_S; i++) {
            progress.step(0.1 + 0.7 * i / RATIOS.length, "holding back at " + RATIOS[i] + " to 1");
            Tone tried = threshold(compressed(RATIOS[i]), wantedDbPerS);
            double fall = fall(played(tried)).orElse(now);
            if (fall > reached) {
                reached = fall;
                best = tried;
            }
        }
        progress.step(0.85, "letting the echo ring");
        Optional<Block> echo = best.first(GearKind.ECHO).filter(Block::on);
        while (echo.isPresent() && reached < wantedDbPerS - NEAR_DB_PER_S && echo.get().get(ControlNames.MIX)
                + MIX_STEP <= MOST_MIX) {
            best = best.with(echo.get().with(ControlNames.MIX, echo.get().get(ControlNames.MIX) + MIX_STEP));
            echo = best.first(GearKind.ECHO);
            reached = Math.max(reached, fall(played(best)).orElse(reached));
        }
        best = atLoudness(best, before);
        Sound after = played(best);
        return new Solved(best, wantedDbPerS, now, fall(after).orElse(reached), rests(after) - rests(before));
    }

    private Sound played(Tone t) {
        return Renderer.render(t, part, Optional.of(part), Quality.SEARCH, Progress.NONE);
    }

    /** With a compressor of this ratio before the first block that clips; the tone's own where it has one. */
    private Tone compressed(double ratio) {
        Tone with = prepared(tone);
        Block c = with.first(GearKind.COMPRESSOR).orElseThrow();
        return with.with(c.switched(true).with(ControlNames.RATIO, ratio));
    }

    /** The tone with the compressor that a variant needs, switched off where the tone has none; itself where it has one. */
    public static Tone prepared(Tone tone) {
        if (tone.first(GearKind.COMPRESSOR).isPresent()) return tone;
        return tone.insertedInOrder(Block.of("soft-knee compressor").switched(false));
    }

    /** The highest threshold that holds back enough: notes fall the slower the lower it is. */
    private Tone threshold(Tone with, double wantedDbPerS) {
        double low = LOWEST_DB;
        double high = HIGHEST_DB;
        for (int i = 0; i < HALVINGS; i++) {
            double middle = (low + high) / 2;
            double fall = fall(played(at(with, middle))).orElse(-200);
            if (fall >= wantedDbPerS) low = middle;
            else high = middle;
        }
        // Where even the lowest is not enough, both ends have met there.
        return at(with, low);
    }

    private static Tone at(Tone with, double thresholdDb) {
        Block c = with.first(GearKind.COMPRESSOR).orElseThrow();
        return with.with(c.with(ControlNames.THRESHOLD, thresholdDb));
    }

    /** What the compressor took is made good, so that the amp is driven as before. */
    private Tone atLoudness(Tone t, Sound before) {
        Optional<Block> c = t.first(GearKind.COMPRESSOR).filter(Block::on);
        OptionalDouble wanted = LoudnessMeter.integratedLufs(before);
        if (c.isEmpty() || wanted.isEmpty()) return t;
        Tone out = t;
        for (int i = 0; i < 3; i++) {
            OptionalDouble is = LoudnessMeter.integratedLufs(played(out));
            if (is.isEmpty()) return out;
            Block b = out.first(GearKind.COMPRESSOR).orElseThrow();
            double level = b.get(ControlNames.LEVEL) + wanted.getAsDouble() - is.getAsDouble();
            out = out.with(b.with(ControlNames.LEVEL, b.model().control(ControlNames.LEVEL).clamp(level)));
        }
        return out;
    }

    /** Level of the softest fifth of the moments, dB. */
    private static double rests(Sound s) {
        double[] l = LevelCurve.of(s.mid(), s.rateHz() / 20, s.rateHz() / 40);
        java.util.Arrays.sort(l);
        double sum = 0;
        int n = Math.max(1, l.length / 5);
        for (int i = 0; i < n; i++) sum += l[i] / n;
        return sum;
    }
}
