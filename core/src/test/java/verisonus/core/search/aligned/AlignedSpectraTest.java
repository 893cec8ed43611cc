package verisonus.core.search.aligned;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

class AlignedSpectraTest {
    private static final float[] TAKE = Signal.plucks(0.3, 3).lasting(3).mid();

    private static float[] through(String amp, double gain) {
        return Renderer.renderMono(new Tone("t", List.of(Block.of(amp).with("gain", gain))), TAKE, Quality.DRAFT);
    }

    private static float[] late(float[] x, double s) {
        int n = (int) Math.round(s * Sound.WORKING_RATE_HZ);
        float[] out = new float[x.length];
        System.arraycopy(x, 0, out, n, x.length - n);
        return out;
    }

    @Test
    void theSettingThatMadeTheRecordIsTheNearest() {
        AlignedSpectra record = AlignedSpectra.of(through("mid-forward crunch", 6), TAKE);
        double right = record.distanceDb(through("mid-forward crunch", 6));
        assertThat(right).isLessThan(0.1);
        for (double gain : new double[]{2, 4, 8.5})
            assertThat(record.distanceDb(through("mid-forward crunch", gain))).isGreaterThan(right + 0.2);
        assertThat(record.distanceDb(through("open clean", 3))).isGreaterThan(right + 1);
    }

    @Test
    void neitherLoudnessNorASmoothColourCounts() {
        float[] record = through("chiming edge", 5);
        AlignedSpectra aligned = AlignedSpectra.of(record, TAKE);
        float[] softer = record.clone();
        for (int i = 0; i < softer.length; i++) softer[i] *= 0.1f;
        assertThat(aligned.distanceDb(softer)).isCloseTo(aligned.distanceDb(record), within(1e-3));
        float[] darker = new float[record.length];
        for (int i = 1; i < record.length; i++) darker[i] = 0.5f * record[i] + 0.5f * darker[i - 1];
        assertThat(aligned.distanceDb(darker)).isLessThan(0.8);
    }

    @Test
    void handsThatAreLateAreFollowed() {
        float[] record = late(through("mid-forward crunch", 6), 0.06);
        AlignedSpectra aligned = AlignedSpectra.of(record, TAKE);
        double right = aligned.distanceDb(through("mid-forward crunch", 6));
        assertThat(right).isLessThan(2.5);
        assertThat(aligned.distanceDb(through("mid-forward crunch", 2))).isGreaterThan(right + 0.2);
    }

    @Test
    void aPathIsInTimeWhereBothAreAndNeverRunsBack() {
        int[] same = TimePath.of(TAKE, TAKE, Sound.WORKING_RATE_HZ).recordFrame();
        for (int t = 0; t < same.length; t++) assertThat(same[t]).isEqualTo(t);
        int[] moved = TimePath.of(late(TAKE, 0.05), TAKE, Sound.WORKING_RATE_HZ).recordFrame();
        assertThat(Arrays.stream(moved).boxed().toList()).isSorted();
        int middle = moved.length / 2;
        assertThat(moved[middle] - middle).isBetween(4, 6);
    }

    @Test
    void silenceIsHeldAgainstSilenceWithoutAFault() {
        float[] silent = new float[Sound.WORKING_RATE_HZ];
        assertThat(AlignedSpectra.of(silent, silent).distanceDb(silent)).isCloseTo(0, within(1e-4));
        assertThat(AlignedSpectra.of(TAKE, silent).distanceDb(silent)).isFinite();
    }
}
