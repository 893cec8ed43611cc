package verisonus.core.derive;

import java.util.Optional;
import verisonus.core.fault.Progress;
import verisonus.core.rig.Block;
import verisonus.core.rig.Kind;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Quality;
import verisonus.core.simulate.Renderer;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;

/**
 * Exchanging a part without being fooled by gain and loudness: the gain of what clips is turned until the playing is held back as
 * far as before ({@link Driven}), then the level behind it until it is as loud (ITU-R BS.1770). What is left is the part's own
 * character. The same two measures move a gain at constant loudness, and another control at constant saturation.
 */
public final class FairSwap {
    private static final int STEPS = 8;
    private static final double LONGEST_S = 6;

    private final Sound di;

    /** @param di dry take to balance on; of a longer one the loudest six seconds are heard */
    public FairSwap(Sound di) {
        Sound take = di.atRate(Renderer.RATE_HZ);
        this.di = LoudestPart.of(take, LONGEST_S).cut(take);
    }

    /** The changed tone with gain and loudness brought to those of the tone before. */
    public Tone balanced(Tone before, Tone changed, String blockId) {
        Sound was = played(before);
        return atLoudness(was, atSaturation(Driven.of(di, was), changed, blockId));
    }

    /** A control moved, and only the loudness brought back. */
    public Tone atConstantLoudness(Tone before, Block moved) {
        return atLoudness(played(before), before.with(moved));
    }

    /** A changed tone at the loudness of another. */
    public Tone atConstantLoudness(Tone before, Tone changed) {
        return atLoudness(played(before), changed);
    }

    /** A control moved, and gain and loudness brought back, so that only what else it does is heard. */
    public Tone atConstantSaturation(Tone before, Block moved) {
        return balanced(before, before.with(moved), moved.id());
    }

    /** A control turned while something stays; where a gain is turned at the same dirt, another clipper gives way. */
    public Tone turned(Tone before, Block block, String control, double value, Keeping keeping) {
        Tone changed = before.with(block.with(control, value));
        if (keeping == Keeping.NOTHING) return changed;
        Sound was = played(before);
        if (keeping == Keeping.LOUDNESS) return atLoudness(was, changed);
        Optional<Dirt> other = givingWay(changed, block, control);
        double wanted = Driven.of(di, was);
        return atLoudness(was, other.map(d -> atSaturation(wanted, changed, d)).orElse(changed));
    }

    /** A control that makes dirt. */
    private record Dirt(Block block, String control) {}

    /** For a clipper's own gain the next one's, or its power stage; for anything else the gain of the amp. */
    private static Optional<Dirt> givingWay(Tone tone, Block block, String control) {
        Optional<Dirt> amp = tone.first(Kind.AMP).filter(Block::on).map(b -> new Dirt(b, "gain"));
        Optional<Dirt> drive = tone.first(Kind.DRIVE).filter(Block::on).map(b -> new Dirt(b, "drive"));
        boolean ampsGain = block.model().kind() == Kind.AMP && control.equals("gain");
        if (ampsGain) return drive.or(() -> amp.map(d -> new Dirt(d.block, "master")));
        boolean clipsItself = block.model().kind() == Kind.DRIVE && !control.equals("drive");
        return clipsItself ? drive.filter(d -> d.block.id().equals(block.id())).or(() -> amp) : amp;
    }

    private Sound played(Tone tone) {
        return Renderer.render(tone, di, Optional.of(di), Quality.DRAFT, Progress.NONE);
    }

    private Tone atSaturation(double wanted, Tone tone, String blockId) {
        return gainBlock(tone, blockId)
                .map(b -> atSaturation(wanted, tone, new Dirt(b, b.model().kind() == Kind.AMP ? "gain" : "drive")))
                .orElse(tone);
    }

    private Tone atSaturation(double wanted, Tone tone, Dirt by) {
        double low = 0;
        double high = 10;
        Block b = by.block;
        String control = by.control;
        for (int i = 0; i < STEPS; i++) {
            double middle = (low + high) / 2;
            if (Driven.of(di, played(tone.with(b.with(control, middle)))) < wanted) {
                low = middle;
            } else {
                high = middle;
            }
        }
        // Where even the start differs by less than can be read, the gain stays as it is.
        double found = (low + high) / 2;
        double kept = Math.abs(Driven.of(di, played(tone)) - wanted) < 0.01 ? b.get(control) : found;
        return tone.with(b.with(control, rounded(kept)));
    }

    /** What holds the gain: the block itself where it clips; none behind the last clipper, where nothing would change. */
    private static Optional<Block> gainBlock(Tone tone, String blockId) {
        return tone.find(blockId).filter(b -> b.model().kind() == Kind.AMP || b.model().kind() == Kind.DRIVE);
    }

    private Tone atLoudness(Sound wanted, Tone tone) {
        double was = LoudnessMeter.integratedLufs(wanted).orElse(Double.NaN);
        double now = LoudnessMeter.integratedLufs(played(tone)).orElse(Double.NaN);
        if (Double.isNaN(was) || Double.isNaN(now)) return tone;
        return lifted(tone, was - now);
    }

    /** Louder behind everything that clips: at the last microphone or equalizer, or at a volume put there. */
    static Tone lifted(Tone tone, double db) {
        for (int i = tone.main().size() - 1; i >= 0; i--) {
            Block b = tone.main().get(i);
            boolean behind = b.model().kind() == Kind.MICROPHONE || b.model().kind() == Kind.EQUALIZER
                    || b.model().name().equals("volume");
            if (!b.on() || !behind) continue;
            double level = rounded(b.get("level") + db);
            if (level >= b.model().control("level").minimum() && level <= b.model().control("level").maximum()) {
                return tone.with(b.with("level", level));
            }
        }
        Block volume = Block.of("volume").named("volume").with("level", rounded(db));
        return tone.inserted(volume, tone.blocks().size());
    }

    /** As a tone is kept: to a thousandth. */
    private static double rounded(double v) {
        return Math.rint(1000 * v) / 1000;
    }
}
