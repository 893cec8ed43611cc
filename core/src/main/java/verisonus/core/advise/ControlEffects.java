package verisonus.core.advise;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import verisonus.core.evidence.Evidence;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.AfterClipping;
import verisonus.core.work.Parallel;

/**
 * What turning each control would do to the figures: behind the last clipper by its curve, before it by one render, from which each
 * figure is taken to go on as a straight line.
 */
final class ControlEffects {
    private static final double PROBE = 0.08;
    private static final Set<String> BEFORE_THE_CLIPPER = Set.of(ControlNames.GAIN, ControlNames.BASS, ControlNames.MID,
            ControlNames.TREBLE, ControlNames.MASTER, ControlNames.SAG,
            ControlNames.DRIVE, ControlNames.TONE, ControlNames.LEVEL, ControlNames.THRESHOLD, ControlNames.RATIO,
            ControlNames.LOWS_BEFORE_CLIPPING, ControlNames.ATTACK_SOFTENING);

    private final Tone tone;
    private final MoveJudge judge;
    private final Locks locked;

    ControlEffects(Tone tone, MoveJudge judge, Locks locked) {
        this.tone = tone;
        this.judge = judge;
        this.locked = locked;
    }

    /** One control that can be turned. */
    final class Effect {
        private final Block block;
        private final Control control;
        private final double position;
        private final double probed;
        private final Optional<Evidence> probe;

        private Effect(Block block, Control control, Optional<Evidence> probe) {
            this.block = block;
            this.control = control;
            this.probe = probe;
            position = control.position(block.get(control.name()));
            probed = probe(position);
        }

        ControlPlace place() {
            return ControlPlace.of(block, control.name());
        }

        Block block() {
            return block;
        }

        /** Where it stands on its track, 0 to 1. */
        double position() {
            return position;
        }

        /** Whether it stands before the last clipper, so that what it does is only roughly known. */
        boolean isRough() {
            return probe.isPresent();
        }

        /** What would be found with it there. */
        Evidence at(double to) {
            if (probe.isPresent()) {
                return judge.now().shifted(probe.get(), judge.now(), (to - position) / (probed - position));
            }
            Block turned = block.with(control.name(), control.valueAt(to));
            return judge.now().coloured(hz -> AfterClipping.gainDb(turned, hz) - AfterClipping.gainDb(block, hz));
        }

        /** The block with it there, as finely as a hand can set it. */
        Block set(Block on, double to) {
            return on.with(control.name(), rounded(control, control.valueAt(to)));
        }

        /** What that changes. */
        Move.Turn turn(double to) {
            return new Move.Turn(block.id(), control.name(), block.get(control.name()),
                    set(block, to).get(control.name()));
        }
    }

    private static double probe(double position) {
        return position > 0.5 ? position - PROBE : position + PROBE;
    }

    /** Of every control that is on, not locked and in use. */
    List<Effect> all(ExecutorService workers) {
        List<Callable<Effect>> work = new ArrayList<>();
        for (Block b : tone.main()) {
            for (Control c : b.model().turnable()) {
                if (!isFree(b, c)) continue;
                if (AfterClipping.isCurve(b, c.name())) work.add(() -> new Effect(b, c, Optional.empty()));
                if (isBeforeTheClipper(b, c)) {
                    double to = probe(c.position(b.get(c.name())));
                    work.add(() -> new Effect(b, c,
                            Optional.of(judge.turned(tone.with(b.with(c.name(), c.valueAt(to)))))));
                }
            }
        }
        return Parallel.all(work, workers);
    }

    private boolean isFree(Block b, Control c) {
        return b.on() && !c.isChoice() && !locked.holds(b.id(), c.name())
                && !(c.rare() && !b.settings().containsKey(c.name()));
    }

    private static boolean isBeforeTheClipper(Block b, Control c) {
        GearKind k = b.model().kind();
        return (k == GearKind.AMP || k == GearKind.DRIVE || k == GearKind.COMPRESSOR)
                && BEFORE_THE_CLIPPER.contains(c.name());
    }

    private static double rounded(Control c, double v) {
        double step = c.unit().equals("0-10") || c.unit().equals("dB") ? 0.1 : c.unit().equals("Q") ? 0.01 : 1;
        return c.clamp(Math.rint(v / step) * step);
    }
}
