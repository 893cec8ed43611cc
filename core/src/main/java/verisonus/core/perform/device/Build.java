package verisonus.core.perform.device;

import java.util.ArrayList;
import java.util.List;
import verisonus.core.plan.RigCheck;
import verisonus.core.rig.Block;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/**
 * The tone with some of its parts.
 *
 * @param tone what is left, turned so that it is as near as it gets
 * @param without what was left out since the build before; empty for the whole
 * @param gapJnd how far it lies from the whole tone, loudness left out
 * @param cables that join its boxes, from the guitar to the last
 * @param check what it costs, weighs and takes to set up
 */
public record Build(Tone tone, String without, double gapJnd, int cables, RigCheck check) {
    private static final double WORTH_RETUNING_JND = 0.3;

    /** From the whole tone to amp and loudspeaker alone: each build leaves out what is missed least. */
    public static List<Build> ladder(Tone tone, Sound phrase, Rig rig, Progress progress) {
        TonePlayed heard = new TonePlayed(tone, phrase);
        Tone now = tone;
        for (Block b : tone.blocks()) if (!b.on()) now = now.without(b.id());
        List<Build> out = new ArrayList<>();
        out.add(new Build(now, "", heard.gapJnd(now), cables(now), RigCheck.of(now, rig)));
        int parts = now.blocks().size();
        while (true) {
            List<Block> mayGo = mayGo(now);
            if (mayGo.isEmpty()) return out;
            progress.step(1 - mayGo.size() / (double) parts, "with " + now.blocks().size() + " parts");
            Block least = mayGo.getFirst();
            double gap = Double.POSITIVE_INFINITY;
            for (Block b : mayGo) {
                double g = heard.gapJnd(now.without(b.id()));
                if (g < gap) {
                    gap = g;
                    least = b;
                }
            }
            now = now.without(least.id());
            if (gap > out.getLast().gapJnd + WORTH_RETUNING_JND) {
                now = new Retuning(heard).nearest(now, Progress.NONE);
                gap = heard.gapJnd(now);
            }
            out.add(new Build(now, least.model().name(), gap, cables(now), RigCheck.of(now, rig)));
        }
    }

    private static List<Block> mayGo(Tone t) {
        return t.blocks().stream().filter(b -> switch (b.model().kind()) {
            case AMP, CABINET, MICROPHONE, INPUT, GUITAR -> false;
            default -> true;
        }).toList();
    }

    /** One to each box and one on; a loop and a branch take one more each; loudspeaker and microphone have one each. */
    private static int cables(Tone t) {
        int boxes = (int) t.blocks().stream().filter(b -> b.model().kind() != GearKind.INPUT
                && b.model().kind() != GearKind.GUITAR).count();
        return boxes + (t.routing().loop().isEmpty() ? 0 : 1) + t.routing().branches().size();
    }

    /** What stands in the build in signal order. */
    public List<String> order() {
        return tone.blocks().stream().map(b -> b.model().name()).toList();
    }
}
