package verisonus.core.search;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.search.colour.EmptyBands;
import verisonus.core.search.colour.EqualizerFit;
import verisonus.core.search.colour.Features;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/**
 * From the knobs and the linear part to a whole tone: the equalizer on what is left, measured on the true render, then movement,
 * echo and space behind it, and the level. The front is rendered once, at final quality; all that follows is laid on it.
 */
final class ToneCompletion {
    private static final int PASSES = 2;
    private static final double LEANER_LOWS_HZ = 100;
    /** What is added must take this share of the error away to be believed. */
    private static final double WORTH_IT = 0.97;
    /** A movement may make the error this much larger, for where its sweep begins is not known. */
    private static final double HARMLESS = 1.5;
    private static final double[] FEEDBACKS = {0, 15, 30, 45};

    private final SearchOptions options;
    private final Sound reference;
    private final float[] dry;
    private final Target target;
    private final boolean same;
    private final MeasuredBlocks measured;
    private final Features wanted;
    private final EmptyBands empty;

    ToneCompletion(SearchOptions options, Sound reference, float[] dry, Target target, boolean same,
            MeasuredBlocks measured) {
        this.options = options;
        this.reference = reference;
        this.dry = dry;
        this.target = target;
        this.same = same;
        this.measured = measured;
        wanted = Features.of(reference.mid(), 0, Sound.WORKING_RATE_HZ);
        empty = EmptyBands.of(Features.of(dry, 0, Sound.WORKING_RATE_HZ).levelDb());
    }

    record Finished(Tone tone, Sound render) {}

    Finished of(Knobs knobs, CurveDictionary.Entry entry) {
        List<Block> front = new ArrayList<>();
        for (Block b : knobs.blocks())
            front.add(b.model().kind() == GearKind.AMP ? b.with(ControlNames.PRESENCE, entry.presence()) : b);
        entry.cabinet().ifPresent(front::add);
        entry.microphone().ifPresent(front::add);
        // The rig holds only so many blocks: what is heard most is put in first.
        int room = options.rig().mostBlocks() - front.size();
        Optional<Block> echo = measured.echo().filter(_ -> room > 0);
        int beside = room - (echo.isPresent() ? 1 : 0);
        boolean equalized = beside > 0 && canEqualize();
        int left = beside - (equalized ? 1 : 0);
        Sound take = Sound.mono(dry, Sound.WORKING_RATE_HZ);
        Sound flat = Renderer.render(new Tone("front", front), take, Quality.FINAL, Progress.NONE);
        Optional<Block> gate = left > 0 && same ? measured.gate(dry) : Optional.empty();
        if (gate.isPresent()) {
            List<Block> gated = new ArrayList<>(front);
            gated.add(0, gate.get());
            Sound shut = Renderer.render(new Tone("front", gated), take, Quality.FINAL, Progress.NONE);
            if (isLocked(GearKind.GATE) || helps(shut, flat)) {
                front = gated;
                flat = shut;
                left--;
            }
        }
        Optional<Block> eq = equalized ? Optional.of(equalizer(flat, echo)) : Optional.empty();
        List<Block> behind = new ArrayList<>();
        eq.ifPresent(behind::add);
        if (echo.isPresent()) behind.add(same ? repeatsFitted(echo.get(), behind, flat) : echo.get());
        Sound so = played(behind, flat);
        Optional<Block> movement = left > 0 ? measured.movement() : Optional.empty();
        if (movement.isPresent()) {
            List<Block> moving = new ArrayList<>(behind);
            moving.add(eq.isPresent() ? 1 : 0, movement.get());
            Sound swaying = played(moving, flat);
            // A sweep that begins elsewhere than the reference's helps little, but one that is not there harms much.
            if (!same || isLocked(GearKind.MODULATION) || motionError(swaying) < HARMLESS * motionError(so)) {
                behind = moving;
                so = swaying;
                left--;
            }
        }
        Optional<Block> space = left > 0 ? measured.space(so) : Optional.empty();
        if (space.isPresent()) {
            List<Block> within = new ArrayList<>(behind);
            within.add(space.get());
            Sound spacious = played(within, flat);
            // Other playing cannot show it, so there the finding must be surer.
            if (isLocked(GearKind.REVERB) || (same ? helps(spacious, so) : measured.isSureOfSpace())) {
                // The space has a colour of its own.
                if (eq.isPresent() && !isLocked(GearKind.EQUALIZER))
                    within.set(0, options.rig().own(refitted(eq.get(), spacious)));
                behind = within;
                so = played(within, flat);
            }
        }
        List<Block> all = new ArrayList<>(front);
        all.addAll(behind);
        return levelled(options, reference, new Tone("derived", all), so);
    }

    /** The feedback, of the one read and a few others, with which the repeats fall as in the reference. */
    private Block repeatsFitted(Block echo, List<Block> before, Sound flat) {
        if (options.locked().holds(echo.id(), "feedback")) return echo;
        Sound in = played(before, flat);
        Block best = echo;
        double least = WORTH_IT * motionError(played(List.of(echo), in));
        for (double feedback : FEEDBACKS) {
            Block other = echo.with(ControlNames.FEEDBACK, feedback);
            double error = motionError(played(List.of(other), in));
            if (error < least) {
                least = error;
                best = other;
            }
        }
        return best;
    }

    private boolean isLocked(GearKind kind) {
        return options.locked().touches(kind.word());
    }

    private boolean canEqualize() {
        return isLocked(GearKind.EQUALIZER) || options.rig().holds(Gear.model("parametric equalizer"));
    }

    private EqualizerFit fit() {
        boolean moderate = options.school().values() == SearchOptions.Values.MODERATE;
        return new EqualizerFit(target.weight(), (same ? 0.01 : 0.15) * (moderate ? 3 : 1),
                options.school().equalizing() == SearchOptions.Equalizing.CUT_FIRST, !same, empty);
    }

    /** The equalizer that what was heard with this one still asks for. */
    private Block refitted(Block eq, Sound heard) {
        EqualizerFit fit = fit();
        double[] has = Features.of(heard.mid(), 0, Sound.WORKING_RATE_HZ).levelDb();
        double[] now = fit.curve(eq);
        double[] missing = new double[has.length];
        for (int b = 0; b < missing.length; b++) missing[b] = target.levelDb()[b] - has[b] + now[b];
        Block out = fit.fit(same ? missing : Objective.smoothed(missing));
        boolean leaner = options.school().lows() == SearchOptions.Lows.ROOM_FOR_BASS;
        return leaner ? out.with(ControlNames.LOW_CUT, LEANER_LOWS_HZ) : out;
    }

    /** Whether a block that was read off the recording brings the tone nearer to it. */
    private boolean helps(Sound with, Sound without) {
        return motionError(with) < WORTH_IT * motionError(without);
    }

    /** How far level and decay of each band are from the reference's over time, dB RMS. */
    private double motionError(Sound played) {
        return wanted.motionDistance(Features.of(played.mid(), 0, Sound.WORKING_RATE_HZ));
    }

    private static Sound played(List<Block> blocks, Sound in) {
        return blocks.isEmpty() ? in : Renderer.render(new Tone("behind", blocks), in, Quality.FINAL, Progress.NONE);
    }

    /** The equalizer as locked, or fitted to what is missing of the target. */
    private Block equalizer(Sound flat, Optional<Block> echo) {
        Optional<Block> locked = options.earlier().flatMap(t -> t.first(GearKind.EQUALIZER))
                .filter(_ -> isLocked(GearKind.EQUALIZER));
        if (locked.isPresent()) return locked.get();
        Sound echoed = played(echo.map(List::of).orElse(List.of()), flat);
        Block eq = refitted(Block.of("parametric equalizer"), echoed);
        for (int pass = 1; pass < PASSES; pass++) eq = refitted(eq, played(List.of(eq), echoed));
        return options.rig().own(eq);
    }

    /** Sets the last level control before echo and space so that the render is as loud as the reference. */
    static Finished levelled(SearchOptions options, Sound reference, Tone tone, Sound render) {
        double want = LoudnessMeter.integratedLufs(reference).orElse(-23);
        double gain = want - LoudnessMeter.integratedLufs(render).orElse(want);
        Optional<Block> last = Stream.of(GearKind.MICROPHONE, GearKind.EQUALIZER, GearKind.CABINET)
                .flatMap(k -> tone.first(k).stream()).filter(b -> b.model().find(ControlNames.LEVEL).isPresent())
                .filter(b -> !options.locked().holds(b.id(), "level")).findFirst();
        if (last.isEmpty()) return new Finished(tone, render.gained(gain));
        Control c = last.get().model().control(ControlNames.LEVEL);
        double before = last.get().get(ControlNames.LEVEL);
        double level = c.clamp(Math.rint((before + gain) * 100) / 100);
        return new Finished(tone.with(last.get().with(ControlNames.LEVEL, level)), render.gained(level - before));
    }
}
