package verisonus.core.travel.trim;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.compare.Clarity;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.travel.system.PlaybackSystem;
import verisonus.core.travel.system.SystemSound;
import verisonus.core.work.Progress;

/**
 * How much of a tone's own repeats and space does a room leave place for? A place that rings adds its ringing to the tone's: the phrase
 * loses some of its ups and downs ({@link Clarity}). The tone's echoes and spaces are turned down together, no further than gives the
 * phrase back what the place took, and only where that is heard. What the place does to a dry tone cannot be turned away.
 */
final class SpaceTrim {
    /** A phrase that keeps this share of its depth is as clear as before: under a tenth of it nobody notices. */
    private static final double STILL_CLEAR = 0.93;
    private static final double WORTH_IT = 0.03;
    private static final double[] SHARES = {0.75, 0.5, 0.33, 0.2};

    private final Sound di;
    private final double levelDbSpl;

    /** @param di what is played through the tone */
    SpaceTrim(Sound di, double levelDbSpl) {
        this.di = di;
        this.levelDbSpl = levelDbSpl;
    }

    /** What is turned down of a tone for these systems; nothing where none of them clouds it, or the tone has nothing to turn. */
    List<TrimStep> on(List<PlaybackSystem> systems, Tone tone) {
        List<Block> wet = tone.blocks().stream().filter(SpaceTrim::isWet).toList();
        List<PlaybackSystem> rooms = systems.stream().filter(s -> s.room().isPresent()).toList();
        if (wet.isEmpty() || rooms.isEmpty()) return List.of();
        Sound made = played(tone);
        double[] clear = rooms.stream().mapToDouble(s -> depth(s.withoutRoom(), made)).toArray();
        double now = worst(rooms, made, clear);
        if (now >= STILL_CLEAR) return List.of();
        Optional<Double> best = Optional.empty();
        double reached = now;
        for (double share : SHARES) {
            if (reached >= STILL_CLEAR) break;
            double there = worst(rooms, played(turned(tone, wet, share)), clear);
            if (there < reached + WORTH_IT) break;
            reached = there;
            best = Optional.of(share);
        }
        return best.map(share -> steps(wet, share)).orElse(List.of());
    }

    private static boolean isWet(Block b) {
        boolean kind = b.model().kind() == GearKind.ECHO || b.model().kind() == GearKind.REVERB;
        return b.on() && kind && b.model().find(ControlNames.MIX).filter(c -> !c.isFixed()).isPresent()
                && b.get(ControlNames.MIX) > 0;
    }

    private static Tone turned(Tone tone, List<Block> wet, double share) {
        Tone out = tone;
        for (TrimStep s : steps(wet, share))
            out = out.with(out.find(s.place().block()).orElseThrow().with(s.place().control(), s.to()));
        return out;
    }

    private static List<TrimStep> steps(List<Block> wet, double share) {
        List<TrimStep> out = new ArrayList<>();
        for (Block b : wet) {
            Control mix = b.model().control(ControlNames.MIX);
            double to = mix.clamp(Math.rint(share * b.get(ControlNames.MIX)));
            out.add(new TrimStep(ControlPlace.of(b, ControlNames.MIX), b.get(ControlNames.MIX), to));
        }
        return out;
    }

    private Sound played(Tone tone) {
        return Renderer.render(tone, di, Quality.SEARCH, Progress.NONE);
    }

    /** The least share of the phrase's depth that any of the systems leaves, against the same system where nothing rings. */
    private double worst(List<PlaybackSystem> rooms, Sound played, double[] clear) {
        double least = 1;
        for (int i = 0; i < clear.length; i++)
            least = Math.min(least, depth(rooms.get(i), played) / Math.max(1e-9, clear[i]));
        return least;
    }

    private double depth(PlaybackSystem s, Sound played) {
        return Clarity.depth(new SystemSound(s, levelDbSpl).of(played, Progress.NONE));
    }
}
