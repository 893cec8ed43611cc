package verisonus.core.simulate;

import static org.assertj.core.api.Assertions.assertThat;

import com.sun.management.ThreadMXBean;
import java.lang.management.ManagementFactory;
import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.Branch;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Routing;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.stages.Quality;

/** A chain that plays live makes nothing new: the collector would stop it in the middle of a note. */
class ChainAllocationTest {
    private static final int FRAMES = 256;
    /** Blocks until every buffer has its size and the compiler has settled. */
    private static final int SETTLING = 400;
    private static final int BLOCKS = 200;

    private static long bytesWhilePlaying(Tone tone) {
        Chain chain = new Chain(tone, Quality.SEARCH);
        float[][] block = new float[2][Chain.BLOCK];
        ThreadMXBean threads = (ThreadMXBean) ManagementFactory.getThreadMXBean();
        play(chain, block, SETTLING);
        long before = threads.getCurrentThreadAllocatedBytes();
        play(chain, block, BLOCKS);
        return threads.getCurrentThreadAllocatedBytes() - before;
    }

    private static void play(Chain chain, float[][] block, int blocks) {
        for (int b = 0; b < blocks; b++) {
            for (int i = 0; i < FRAMES; i++) {
                block[0][i] = (float) (0.2 * Math.sin(0.03 * (b * FRAMES + i)));
                block[1][i] = block[0][i];
            }
            chain.process(block, FRAMES);
        }
    }

    @Test
    void aFullChainAllocatesNothingABlock() {
        Tone tone = new Tone("t", List.of(Block.of("mid-hump overdrive"), Block.of("mid-forward crunch"),
                Block.of("2×12 open"), Block.of("dynamic microphone"), Block.of("wide chorus"), Block.of("clean echo"),
                Block.of("plate")));
        assertThat(bytesWhilePlaying(tone)).isLessThan(BLOCKS);
    }

    @Test
    void branchesAndTwoPerformancesAllocateNothingABlock() {
        Tone branched = new Tone("t", List.of(Block.of("mid-forward crunch"), Block.of("2×12 open"),
                Block.of("dynamic microphone"), Block.of("room")),
                new Routing(List.of(), List.of(
                        new Branch("space", "cabinet", Branch.OUTPUT, List.of("reverb"), -6, 20, false))));
        assertThat(bytesWhilePlaying(branched)).isLessThan(BLOCKS);
        Tone doubled = new Tone("t", List.of(Block.of("mid-forward crunch"), Block.of("2×12 open"),
                Block.of("dynamic microphone"), Block.of("doubler").with(ControlNames.SPREAD, 80)));
        assertThat(bytesWhilePlaying(doubled)).isLessThan(BLOCKS);
    }
}
