package verisonus.core.simulate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.Branch;
import verisonus.core.rig.Routing;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.InputFault;
import verisonus.core.work.Progress;

class RoutingTest {
    private static final Sound PLUCKS = Signal.plucks(0.2, 5).atDb(-12).lasting(1);
    private static final Block AMP = Block.of("chiming edge");
    private static final Block CABINET = Block.of("2×12 open");
    private static final Block MICROPHONE = Block.of("dynamic microphone");

    private static Sound play(Tone tone, Sound in) {
        return Renderer.render(tone, in, Quality.SEARCH, Progress.NONE);
    }

    private static Branch branch(String after, String before, double levelDb, String... blocks) {
        return new Branch("beside", after, before, List.of(blocks), levelDb, 0, false);
    }

    private static Routing beside(Branch... branches) {
        return new Routing(List.of(), List.of(branches));
    }

    @Test
    void anEmptyBranchDoublesTheSound() {
        Tone t = new Tone("t", List.of(), beside(branch(Branch.INPUT, Branch.OUTPUT, 0)));
        float[] out = play(t, PLUCKS).mid();
        for (int i = 0; i < out.length; i += 7) assertThat(out[i]).isCloseTo(2 * PLUCKS.mid()[i], within(1e-6f));
    }

    @Test
    void aBranchThatIsTurnedCancelsTheSameWayBesideIt() {
        Block second = AMP.named("second amp");
        Tone t = new Tone("t", List.of(AMP, second), beside(new Branch("b", Branch.INPUT, Branch.OUTPUT,
                List.of("second amp"), 0, 0, true)));
        assertThat(play(t, PLUCKS).peak()).isLessThan(1e-5);
    }

    @Test
    void waysOfUnlikeLatencyComeBackInStep() {
        // Amp and cabinet lag by an oversampler and a convolution; the bare wire beside them must wait.
        Tone both = new Tone("t", List.of(AMP, CABINET), beside(branch(Branch.INPUT, Branch.OUTPUT, 0)));
        Sound impulse = Signal.of(t -> t < 0.1 ? 0 : Math.sin(2 * Math.PI * 500 * t)).atDb(-20).lasting(0.3);
        float[] sum = play(both, impulse).mid();
        float[] alone = play(new Tone("t", List.of(AMP, CABINET)), impulse).mid();
        for (int i = 0; i < sum.length; i += 3) {
            assertThat(sum[i] - alone[i]).isCloseTo(impulse.mid()[i], within(1e-4f));
        }
    }

    @Test
    void twoMicrophonesOnOneCabinetAddInTime() {
        Block second = Block.of("ribbon microphone").named("second microphone");
        Tone two = new Tone("t", List.of(AMP, CABINET, MICROPHONE, second),
                beside(branch("cabinet", Branch.OUTPUT, -3, "second microphone")));
        float[] first = play(new Tone("t", List.of(AMP, CABINET, MICROPHONE)), PLUCKS).mid();
        float[] other = play(new Tone("t", List.of(AMP, CABINET, second)), PLUCKS).mid();
        float[] both = play(two, PLUCKS).mid();
        double gain = Math.pow(10, -3 / 20.0);
        double error = 0;
        double size = 0;
        for (int i = 0; i < both.length; i++) {
            double want = first[i] + gain * other[i];
            error += (both[i] - want) * (both[i] - want);
            size += want * want;
        }
        // Two curves in one convolution are cut off elsewhere than two in a row: −45 dB.
        assertThat(error).isLessThan(size * 3e-5);
    }

    @Test
    void theEffectsLoopSitsBetweenTheTwoHalvesOfTheAmp() {
        Block echo = Block.of("clean echo").with("mix", 40).with("time", 150);
        Block loud = AMP.with("master", 9);
        Tone loop = new Tone("t", List.of(loud, echo), new Routing(List.of("echo"), List.of()));
        Tone behind = new Tone("t", List.of(loud, echo));
        Tone before = new Tone("t", List.of(echo, loud));
        double[] level = new double[3];
        int k = 0;
        for (Tone t : List.of(loop, behind, before)) level[k++] = unlike(play(t, PLUCKS), play(loop, PLUCKS));
        assertThat(level[0]).isZero();
        assertThat(level[1]).isGreaterThan(0.02);
        assertThat(level[2]).isGreaterThan(0.02);
        Tone clean = new Tone("t", List.of(loud, echo.with("mix", 0)), new Routing(List.of("echo"), List.of()));
        assertThat(unlike(play(clean, PLUCKS), play(new Tone("t", List.of(loud)), PLUCKS))).isLessThan(0.01);
    }

    private static double unlike(Sound a, Sound b) {
        double error = 0;
        double size = 0;
        for (int i = 0; i < a.frames(); i++) {
            error += Math.pow(a.mid()[i] - b.mid()[i], 2);
            size += Math.pow(b.mid()[i], 2);
        }
        return Math.sqrt(error / size);
    }

    @Test
    void aStereoBlockInABranchMakesTheSumStereoAndAPanMovesIt() {
        Block hall = Block.of("plain hall").with("mix", 100).with("dry", 1);
        Tone t = new Tone("t", List.of(AMP, hall), beside(branch("amp", Branch.OUTPUT, -6, "reverb")));
        assertThat(play(t, PLUCKS).isStereo()).isTrue();
        Branch left = new Branch("b", Branch.INPUT, Branch.OUTPUT, List.of(), 0, -100, false);
        Sound out = play(new Tone("t", List.of(), beside(left)), PLUCKS);
        assertThat(Math.abs(out.channel(0)[9000])).isGreaterThan(Math.abs(out.channel(1)[9000]));
    }

    @Test
    void aDoublerNeedsTwoTakesAndPansThemApart() {
        Tone t = new Tone("t", List.of(AMP, Block.of("doubler").with("spread", 100)));
        assertThatThrownBy(() -> play(t, PLUCKS)).isInstanceOf(InputFault.class).hasMessageContaining("second take");
        Sound other = Signal.plucks(0.2, 9).atDb(-12).lasting(1);
        Sound out = Renderer.render(t, PLUCKS, Optional.of(other), Quality.SEARCH, Progress.NONE);
        Sound alone = play(new Tone("t", List.of(AMP)), PLUCKS);
        assertThat(out.isStereo()).isTrue();
        for (int i = 0; i < out.frames(); i += 11) {
            assertThat(out.channel(0)[i]).isCloseTo(alone.mid()[i], within(1e-5f));
        }
    }

    @Test
    void theSameInBlocksOfAnySizeAlsoWithBranches() {
        Block hall = Block.of("room").with("mix", 100).with("dry", 1);
        Tone t = new Tone("t", List.of(AMP, CABINET, hall), beside(branch("amp", Branch.OUTPUT, -6, "reverb")));
        float[] in = PLUCKS.mid();
        float[][] outs = new float[2][];
        int k = 0;
        for (int size : new int[]{131, Chain.BLOCK}) {
            Chain chain = new Chain(t, Quality.SEARCH);
            float[] out = new float[in.length];
            float[][] block = new float[2][Chain.BLOCK];
            for (int at = 0; at < in.length; at += size) {
                int n = Math.min(size, in.length - at);
                System.arraycopy(in, at, block[0], 0, n);
                chain.process(block, n);
                System.arraycopy(block[1], 0, out, at, n);
            }
            outs[k++] = out;
        }
        assertThat(outs[0]).isEqualTo(outs[1]);
    }

    @Test
    void aRoutingThatNamesWhatIsNotThereIsRefused() {
        assertThatThrownBy(() -> new Tone("t", List.of(AMP), new Routing(List.of("echo"), List.of())))
                .isInstanceOf(IllegalArgumentException.class).hasMessageContaining("echo");
        assertThatThrownBy(() -> new Tone("t", List.of(AMP, CABINET), beside(branch("cabinet", "amp", 0))))
                .isInstanceOf(IllegalArgumentException.class).hasMessageContaining("come back");
    }
}
