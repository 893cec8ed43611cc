package verisonus.core.feel;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.compare.Driven;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Tone;
import verisonus.core.rig.Voice;
import verisonus.core.sound.LoudnessMeter;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;

/**
 * Exchanging a part without being fooled by gain and loudness: the gain of what clips is turned until the playing is held back as
 * far as before ({@link Driven}), then the level behind it until it is as loud (ITU-R BS.1770). What is left is the part's own
 * character. The same two measures turn a control at constant loudness or at constant saturation.
 */
public final class FairSwap {
    private static final double LONGEST_S = 6;

    private final EqualSaturation dirt;

    /** @param di dry take to balance on; of a longer one the loudest six seconds are heard */
    public FairSwap(Sound di) {
        Sound take = di.atRate(Sound.WORKING_RATE_HZ);
        dirt = new EqualSaturation(LoudestPart.of(take, LONGEST_S).cut(take));
    }

    /** The changed tone with gain and loudness brought to those of the tone before. */
    public Tone balanced(Tone before, Tone changed, String blockId) {
        return atLoudness(dirt.played(before),
                asDriven(before, changed, changed.find(blockId).flatMap(FairSwap::ownGain)));
    }

    /** A changed tone at the loudness of another. */
    public Tone atConstantLoudness(Tone before, Tone changed) {
        return atLoudness(dirt.played(before), changed);
    }

    /**
     * A control turned while something stays; where a gain is turned at the same dirt, another clipper gives way.
     *
     * @param locked controls that must not give way
     */
    public Tone turned(Tone before, Block block, String control, double value, HeldConstant keeping, Locks locked) {
        Tone changed = before.with(block.with(control, value));
        if (keeping == HeldConstant.NOTHING) return changed;
        Sound was = dirt.played(before);
        if (keeping == HeldConstant.LOUDNESS) return atLoudness(was, changed);
        ControlPlace turned = ControlPlace.of(block, control);
        return atLoudness(was, asDriven(before, changed, givingWay(changed, block).stream()
                .filter(g -> !g.place().equals(turned) && !locked.holds(g.place())).findFirst()));
    }

    /** A control that makes dirt. */
    private record Gain(Block block, String control) {
        ControlPlace place() {
            return ControlPlace.of(block, control);
        }
    }

    /** What holds a block's own gain, where it clips. */
    private static Optional<Gain> ownGain(Block b) {
        return switch (b.model().kind()) {
            case AMP -> Optional.of(new Gain(b, ControlNames.GAIN));
            case DRIVE -> Optional.of(new Gain(b, ControlNames.DRIVE));
            default -> Optional.empty();
        };
    }

    /** What can make up for the dirt of a turned control: its block's gain, the other clipper's, the power stage; nothing behind them. */
    private static List<Gain> givingWay(Tone tone, Block block) {
        List<Gain> out = new ArrayList<>();
        if (block.model().kind().compareTo(GearKind.AMP) > 0) return out;
        tone.find(block.id()).flatMap(FairSwap::ownGain).ifPresent(out::add);
        for (GearKind k : List.of(GearKind.DRIVE, GearKind.AMP))
            tone.sounding(k).flatMap(FairSwap::ownGain).ifPresent(out::add);
        tone.sounding(GearKind.AMP).map(b -> new Gain(b, ControlNames.MASTER)).ifPresent(out::add);
        return out;
    }

    private Tone asDriven(Tone wanted, Tone tone, Optional<Gain> by) {
        return by.map(g -> tone.with(g.block.with(g.control,
                rounded(dirt.place(dirt.of(wanted), tone, g.block, g.control))))).orElse(tone);
    }

    private Tone atLoudness(Sound wanted, Tone tone) {
        double was = LoudnessMeter.integratedLufs(wanted).orElse(Double.NaN);
        double now = LoudnessMeter.integratedLufs(dirt.played(tone)).orElse(Double.NaN);
        if (Double.isNaN(was) || Double.isNaN(now)) return tone;
        return lifted(tone, was - now);
    }

    /** Louder behind everything that clips: at the last microphone or equalizer, or at a volume put there. */
    static Tone lifted(Tone tone, double db) {
        for (int i = tone.main().size() - 1; i >= 0; i--) {
            Block b = tone.main().get(i);
            boolean behind = b.model().kind() == GearKind.MICROPHONE || b.model().kind() == GearKind.EQUALIZER
                    || b.model().voice() == Voice.Utility.VOLUME;
            if (!b.on() || !behind) continue;
            double level = rounded(b.get(ControlNames.LEVEL) + db);
            if (level >= b.model().control(ControlNames.LEVEL).minimum()
                    && level <= b.model().control(ControlNames.LEVEL).maximum()) {
                return tone.with(b.with(ControlNames.LEVEL, level));
            }
        }
        Block volume = Block.of("volume").named("volume").with(ControlNames.LEVEL, rounded(db));
        return tone.inserted(volume, tone.blocks().size());
    }

    /** As a tone is kept: to a thousandth. */
    private static double rounded(double v) {
        return Math.rint(1000 * v) / 1000;
    }
}
