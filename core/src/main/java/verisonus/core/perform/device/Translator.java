package verisonus.core.perform.device;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import verisonus.core.feel.FairSwap;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Model;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.Figures;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

/**
 * Brings a tone to a device that holds other models, fewer blocks or only one of a kind. What is missing is replaced by what does most
 * nearly the same to this very tone, gain and loudness balanced; what has no room goes, what is missed least first; then everything
 * that can be turned is turned until the result is as near as it gets.
 */
public final class Translator {
    private final Tone tone;
    private final Rig device;
    private final TonePlayed heard;
    private final FairSwap fair;

    /** @param phrase dry take that it is judged on */
    public Translator(Tone tone, Sound phrase, Rig device) {
        this.tone = tone;
        this.device = device;
        heard = new TonePlayed(tone, phrase);
        fair = new FairSwap(phrase);
    }

    /** @throws InputFault where the device holds nothing that the tone is made of */
    public Translation translated(Progress progress) {
        List<Translation.Change> changes = new ArrayList<>();
        Tone now = withoutIdle(tone);
        now = owned(now, changes, progress);
        now = within(now, changes);
        if (now.blocks().isEmpty())
            throw new InputFault("the device", "it holds nothing of this tone", "choose a device that has "
                    + String.join(", ", tone.blocks().stream().map(b -> b.model().kind().word()).distinct().toList()));
        Tone merely = fair.atConstantLoudness(tone, asDevice(now));
        double before = heard.gapJnd(merely);
        Tone tuned = changes.isEmpty() ? merely : new Retuning(heard).nearest(merely, progress);
        double after = heard.gapJnd(tuned);
        Tone out = limited(after < before ? fair.atConstantLoudness(tone, tuned) : merely, changes);
        return new Translation(out.named(tone.name()), changes, Math.min(before, after), before);
    }

    /** Balancing may have put a volume at the end for which the device has no room, or which it has not got. */
    private Tone limited(Tone t, List<Translation.Change> changes) {
        Optional<Block> added = t.find("volume").filter(_ -> tone.find("volume").isEmpty());
        if (added.isEmpty()) return t;
        if (device.holds(added.get().model()) && t.blocks().size() <= device.mostBlocks())
            return t.with(device.own(added.get()));
        changes.add(new Translation.Change("volume",
                Figures.of("nothing behind its clipper sets the level: bring it %.1f dB %s by hand",
                        Math.abs(added.get().get(ControlNames.LEVEL)),
                        added.get().get(ControlNames.LEVEL) > 0 ? "up" : "down"),
                0));
        return t.without("volume");
    }

    private static Tone withoutIdle(Tone t) {
        Tone out = t;
        for (Block b : t.blocks()) if (!b.on()) out = out.without(b.id());
        return out;
    }

    private Tone asDevice(Tone t) {
        Tone out = t;
        for (Block b : t.blocks()) out = out.with(device.as(b));
        return out;
    }

    /** Every model that the device lacks is replaced or goes; what it has is taken by its own blocks first. */
    private Tone owned(Tone from, List<Translation.Change> changes, Progress progress) {
        Map<String, Integer> used = new HashMap<>();
        List<Block> lacking = new ArrayList<>();
        Tone now = from;
        for (Block b : from.blocks()) {
            Optional<Block> held = held(b, used);
            held.ifPresentOrElse(h -> used.merge(h.model().name(), 1, Integer::sum), () -> lacking.add(b));
            if (held.isPresent()) now = now.with(held.get());
        }
        for (int i = 0; i < lacking.size(); i++) {
            progress.step(0.3 * i / lacking.size(), "looking for " + lacking.get(i).model().name());
            now = replaced(from, now, lacking.get(i), used, changes);
        }
        return now;
    }

    /** The block on what the device has left that sounds like it and takes all its settings, by its own name first. */
    private Optional<Block> held(Block b, Map<String, Integer> used) {
        Stream<Model> alike = device.all(b.model().kind()).filter(m -> m.voice().equals(b.model().voice()));
        return Stream.concat(Stream.of(b.model()), alike).filter(m -> isLeft(m, used)).map(b::exchangedFor)
                .filter(o -> b.model().controls().stream()
                        .allMatch(c -> o.model().find(c.name()).isPresent() && o.get(c.name()) == b.get(c.name())))
                .findFirst();
    }

    private boolean isLeft(Model m, Map<String, Integer> used) {
        return used.getOrDefault(m.name(), 0) < device.counts().getOrDefault(m.name(), 0);
    }

    /** What stands for a block is chosen on the tone as it is but for that block, so that one choice does not cloud the next. */
    private Tone replaced(Tone whole, Tone now, Block b, Map<String, Integer> used, List<Translation.Change> changes) {
        double least = Double.POSITIVE_INFINITY;
        Optional<Block> best = Optional.empty();
        for (Model m : device.all(b.model().kind()).filter(m -> isLeft(m, used)).toList()) {
            Tone tried = fair.balanced(whole, whole.with(b.exchangedFor(m)), b.id());
            double gap = heard.gapJnd(tried);
            if (gap < least) {
                least = gap;
                best = tried.find(b.id());
            }
        }
        Tone without = now.without(b.id());
        double gone = whole.blocks().size() < 2 ? Double.POSITIVE_INFINITY : heard.gapJnd(whole.without(b.id()));
        // What colours can be turned until it is near; an effect that is further off than none at all cannot.
        if (best.isEmpty() || !colours(b.model().kind()) && gone <= least) {
            changes.add(new Translation.Change(b.id(), "no " + b.model().name() + ": it goes",
                    Double.isFinite(gone) ? gone : 0));
            return without;
        }
        used.merge(best.get().model().name(), 1, Integer::sum);
        changes.add(new Translation.Change(b.id(), b.model().name() + " → " + best.get().model().name(), least));
        return now.with(best.get());
    }

    /** What is more than the device holds goes, what is missed least first; an amp with its loudspeaker stays. */
    private Tone within(Tone from, List<Translation.Change> changes) {
        Tone now = from;
        while (true) {
            List<Block> surplus = surplus(now);
            if (surplus.isEmpty()) return now;
            Block least = surplus.getFirst();
            double gap = Double.POSITIVE_INFINITY;
            for (Block b : surplus) {
                double g = heard.gapJnd(now.without(b.id()));
                if (g < gap) {
                    gap = g;
                    least = b;
                }
            }
            changes.add(new Translation.Change(least.id(), "no room for the " + least.model().name() + ": it goes",
                    gap));
            now = now.without(least.id());
        }
    }

    /** Blocks of which one has to go: all that may, where there are too many; those of a kind that may be there once only. */
    private List<Block> surplus(Tone t) {
        for (GearKind k : device.once()) {
            List<Block> ofKind = t.blocks().stream().filter(b -> b.model().kind() == k).toList();
            if (ofKind.size() > 1) return ofKind;
        }
        if (t.blocks().size() <= device.mostBlocks()) return List.of();
        List<Block> mayGo = t.blocks().stream().filter(b -> !isNeeded(b.model().kind())).toList();
        return mayGo.isEmpty() ? t.blocks() : mayGo;
    }

    private static boolean colours(GearKind k) {
        return isNeeded(k) || k == GearKind.EQUALIZER || k == GearKind.DRIVE;
    }

    private static boolean isNeeded(GearKind k) {
        return k == GearKind.AMP || k == GearKind.CABINET || k == GearKind.MICROPHONE;
    }
}
