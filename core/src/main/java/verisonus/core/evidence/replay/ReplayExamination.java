package verisonus.core.evidence.replay;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.DoublePredicate;
import java.util.function.Function;
import java.util.stream.Stream;
import verisonus.core.evidence.echo.EchoReading;
import verisonus.core.evidence.movement.ModulationKind;
import verisonus.core.evidence.movement.ModulationReading;
import verisonus.core.evidence.movement.SideDelays;
import verisonus.core.evidence.signs.Finding;
import verisonus.core.evidence.signs.Presence;
import verisonus.core.evidence.space.ReverbReading;
import verisonus.core.sound.Sound;

/**
 * Asks what a recording has more than a dry tone played on a take of the same phrase, played again: repeats first, then with them in the
 * explanation a space, a sway of the level, a sweep, a sway of the pitch and of the sides.
 *
 * @param echo repeats
 * @param reverb a space
 * @param level tremolo or harmonic tremolo
 * @param sweep phaser or another moving comb
 * @param pitch vibrato
 * @param sides a wide chorus
 */
public record ReplayExamination(Finding<EchoReading> echo, Finding<ReverbReading> reverb,
        Finding<ModulationReading> level, Finding<ModulationReading> sweep, Finding<ModulationReading> pitch,
        Finding<ModulationReading> sides) {
    /** Shorter than this nothing comes round often enough. */
    public static final double SHORTEST_S = 3;
    private static final double SAME_RATE_HZ = 0.1;

    /**
     * Who else is heard, and when.
     *
     * @param sweepHz how often notches sweep through the recording by its own evidence; empty where it shows none
     */
    public record Setting(boolean company, OptionalDouble beatHz, DoublePredicate window, OptionalDouble sweepHz) {
        /** The guitar alone throughout. */
        public static final Setting ALONE = new Setting(false, OptionalDouble.empty(), _ -> true,
                OptionalDouble.empty());
    }

    /**
     * @param recording what is studied, of {@value #SHORTEST_S} s or more
     * @param replay the dry tone played on the take, in time with it
     */
    public static ReplayExamination of(Sound recording, Sound replay, Setting setting) {
        if (recording.durationS() < SHORTEST_S) {
            String why = "too short to tell it from the playing";
            return new ReplayExamination(Finding.unknown(why), Finding.unknown(why), Finding.unknown(why),
                    Finding.unknown(why), Finding.unknown(why), Finding.unknown(why));
        }
        DirectFit fit = new DirectFit(recording, replay, DirectFit.Tails.FITTED, setting.window);
        RepeatEnergy energy = RepeatEnergy.of(fit);
        RepeatCoherence coherence = RepeatCoherence.of(recording, replay, setting.window);
        Finding<EchoReading> echo = new ReplayEcho(fit, energy, coherence, setting.company
                ? Optional.of(EchoOdds.of(recording, replay, coherence, energy, setting.window))
                : Optional.empty()).find();
        Finding<ReverbReading> reverb = new ReplayReverb(fit, setting.company).find();
        LevelSway levels = new LevelSway(fit);
        LevelSway.Strongest strongest = levels.strongest();
        Finding<ModulationReading> level = levels.find(strongest, setting.beatHz);
        CombSweep combs = new CombSweep(fit);
        CombSweep.Strongest comb = combs.strongest();
        // Basses and drums that come and go look like notches that move.
        Finding<ModulationReading> open = setting.company
                ? Finding.unknown("others play with it: what sweeps may be theirs")
                : combs.find(comb);
        Finding<ModulationReading> sweep = open.isPresent() || setting.sweepHz.isEmpty()
                ? open
                : CombSweep.confirmed(comb, setting.sweepHz.getAsDouble()).orElse(open);
        boolean ofTheSweep = sweep.isPresent() && level.isPresent() && strongest.coherence() < 0.75
                && isMultiple(strongest.rateHz(), comb.rateHz());
        if (ofTheSweep) level = Finding.unknown("the level sways as the sweep makes it");
        Finding<ModulationReading> pitch = PitchSwayAcrossNotes.find(recording, fit.starts, fit.asked);
        if (pitch.isPresent() && level.isPresent()
                && Math.abs(rate(pitch) - rate(level)) < SAME_RATE_HZ) {
            // Level and pitch at one rate are a turning loudspeaker's.
            level = level.map(m -> new ModulationReading(ModulationKind.ROTARY, m.rateHz(), OptionalDouble.empty()));
            pitch = Finding.unknown("the pitch sways with the level");
        }
        Finding<ModulationReading> sides = SideDelays.find(recording,
                t -> fit.asked[(int) Math.min(fit.asked.length - 1.0, t * Channels.FRAMES_A_SECOND)]);
        return setting.company
                ? new ReplayExamination(echo, open(reverb), open(level), sweep, open(pitch), sides)
                : new ReplayExamination(echo, reverb, level, sweep, pitch, sides);
    }

    /** What does not show among others may be there all the same. */
    private static <T> Finding<T> open(Finding<T> f) {
        return f.presence() == Presence.ABSENT
                ? Finding.unknown("others play with it and would cover it")
                : f;
    }

    /**
     * What several replays of one recording show together: there where most of those that can tell say so, by the surest of them; not
     * there where most deny it; else it cannot be told.
     *
     * @param each the leading take's first
     */
    public static ReplayExamination agreed(List<ReplayExamination> each) {
        if (each.size() == 1) return each.get(0);
        return new ReplayExamination(agreed(each, ReplayExamination::echo), agreed(each, ReplayExamination::reverb),
                agreed(each, ReplayExamination::level), agreed(each, ReplayExamination::sweep),
                agreed(each, ReplayExamination::pitch), agreed(each, ReplayExamination::sides));
    }

    private static <T> Finding<T> agreed(List<ReplayExamination> each, Function<ReplayExamination, Finding<T>> topic) {
        List<Finding<T>> all = each.stream().map(topic).toList();
        List<Finding<T>> there = all.stream().filter(Finding::isPresent).toList();
        List<Finding<T>> not = all.stream().filter(f -> f.presence() == Presence.ABSENT).toList();
        Comparator<Finding<T>> surest = Comparator.comparingDouble(Finding::confidence);
        if (there.size() > not.size()) return there.stream().max(surest).orElseThrow();
        if (not.size() > there.size()) return not.stream().max(surest).orElseThrow();
        return there.isEmpty() ? all.get(0) : Finding.unknown("your takes do not agree on it");
    }

    private static boolean isMultiple(double hz, double sweepHz) {
        double r = hz / sweepHz;
        return r > 0.9 && r < 4.3 && Math.abs(r - Math.rint(r)) < 0.12 * Math.rint(r);
    }

    private static double rate(Finding<ModulationReading> f) {
        return f.value().orElseThrow().rateHz().orElse(0);
    }

    /** All movements that were found. */
    public List<ModulationReading> movements() {
        return Stream.of(level, sweep, pitch, sides).flatMap(f -> f.value().stream()).toList();
    }

}
