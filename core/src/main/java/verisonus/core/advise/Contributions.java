package verisonus.core.advise;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import verisonus.core.compare.GapLedger;
import verisonus.core.evidence.Evidence;
import verisonus.core.evidence.Examination;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Sound;
import verisonus.core.take.LoudestPart;
import verisonus.core.work.Progress;

/**
 * What each block of a tone contributes: the most audible difference between the tone with and without it, loudness matched. Blocks
 * that cannot be heard alone are taken out together once more, for several small changes may add up to one that is heard.
 *
 * @param blocks by block, in the tone's order
 * @param unheard ids of blocks below one just-noticeable difference
 * @param unheardTogetherJnd what is heard when all of those are out; empty where there are fewer than two
 */
public record Contributions(List<Contribution> blocks, List<String> unheard, Optional<Double> unheardTogetherJnd) {
    private static final double LONGEST_S = 5;
    private static final double HEARD_JND = 1;

    /** One block. */
    public record Contribution(String block, double jnd) {}

    /** @param di what it is judged on; of a longer take five seconds from where it is loudest */
    public static Contributions of(Tone tone, Sound di, Optional<Sound> second, Progress progress) {
        Sound take = di.atRate(Sound.WORKING_RATE_HZ);
        LoudestPart loudest = LoudestPart.of(take, LONGEST_S);
        Sound part = loudest.cut(take);
        Optional<Sound> beside = second.map(s -> loudest.cut(s.atRate(Sound.WORKING_RATE_HZ)));
        Evidence with = examined(tone, part, beside);
        List<Contribution> out = new ArrayList<>();
        List<String> unheard = new ArrayList<>();
        List<Block> on = tone.blocks().stream().filter(Block::on).toList();
        for (Block b : on) {
            progress.step((double) out.size() / on.size(), "without the " + b.model().name());
            double jnd = GapLedger.between(with, examined(tone.with(b.switched(false)), part, beside)).scoreJnd();
            out.add(new Contribution(b.id(), jnd));
            if (jnd < HEARD_JND) unheard.add(b.id());
        }
        Optional<Double> together = Optional.empty();
        if (unheard.size() > 1) {
            Tone without = tone;
            for (String id : unheard) without = without.with(without.find(id).orElseThrow().switched(false));
            together = Optional.of(GapLedger.between(with, examined(without, part, beside)).scoreJnd());
        }
        return new Contributions(List.copyOf(out), List.copyOf(unheard), together);
    }

    public Optional<Double> jnd(String block) {
        return blocks.stream().filter(c -> c.block.equals(block)).map(Contribution::jnd).findFirst();
    }

    private static Evidence examined(Tone tone, Sound di, Optional<Sound> second) {
        return Examination.of(Renderer.render(tone, di, second, Quality.SEARCH, Progress.NONE),
                Examination.Depth.TONE, Progress.NONE);
    }
}
