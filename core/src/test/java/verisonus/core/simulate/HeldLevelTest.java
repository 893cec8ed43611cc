package verisonus.core.simulate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/** What holds the level: compressors and the gate, by their own figures. */
class HeldLevelTest {
    private static float[] through(Block b, Sound in) {
        return Renderer.render(new Tone("t", List.of(b)), in, Quality.FINAL, Progress.NONE).mid();
    }

    /** Peak level of a steady tone of this peak, once all has settled. */
    private static double settledDb(Block b, double peakDb) {
        float[] y = through(b, Signal.of(t -> Math.pow(10, peakDb / 20) * Math.sin(2 * Math.PI * 1000 * t))
                .lasting(1.5));
        double most = 0;
        for (int i = 60_000; i < 70_000; i++) most = Math.max(most, Math.abs(y[i]));
        return 20 * Math.log10(most);
    }

    @Nested
    class ACompressor {
        private static final Block SOFT = Block.of("soft-knee compressor").with(ControlNames.THRESHOLD, -30)
                .with(ControlNames.LEVEL, 0);

        @ParameterizedTest
        @CsvSource({"2, -10", "4, -10", "4, -20", "8, -6"})
        void leavesOverItsKneeOneDecibelOfSoManyAsItsRatio(double ratio, double inDb) {
            double out = settledDb(SOFT.with(ControlNames.RATIO, ratio), inDb);
            assertThat(out).isCloseTo(-30 + (inDb + 30) / ratio, within(1.0));
        }

        @ParameterizedTest
        @ValueSource(doubles = {-36, -45, -60})
        void leavesAloneWhatLiesUnderItsKnee(double inDb) {
            assertThat(settledDb(SOFT.with(ControlNames.RATIO, 8), inDb)).isCloseTo(inDb, within(0.1));
        }

        @Test
        void withMoreRatioIsNeverLouder() {
            double last = 0;
            for (double ratio = 1; ratio <= 12; ratio += 1) {
                double now = settledDb(SOFT.with(ControlNames.RATIO, ratio), -8);
                assertThat(now).isLessThanOrEqualTo(last + 0.05);
                last = now;
            }
        }

        @Test
        void halfMixedHoldsBackLess() {
            Block b = SOFT.with(ControlNames.RATIO, 8);
            double whole = settledDb(b, -6);
            double half = settledDb(b.with(ControlNames.MIX, 50), -6);
            assertThat(half).isBetween(whole + 1, -6.5);
        }

        @Test
        void itsMakeUpGainIsWhatItSays() {
            Block b = SOFT.with(ControlNames.RATIO, 3);
            assertThat(settledDb(b.with(ControlNames.LEVEL, 6), -40) - settledDb(b, -40)).isCloseTo(6, within(0.05));
        }

        @Test
        void thatReleasesSlowlyStaysDownLongerAfterALoudNote() {
            Sound in = Signal.of(t -> (t < 0.8 ? 0.5 : 0.004) * Math.sin(2 * Math.PI * 500 * t)).lasting(1.4);
            Block b = SOFT.with(ControlNames.RATIO, 6).with(ControlNames.ATTACK, 2);
            double quick = Signal.rmsDb(through(b.with(ControlNames.RELEASE, 40), in), 43_000, 48_000);
            double slow = Signal.rmsDb(through(b.with(ControlNames.RELEASE, 800), in), 43_000, 48_000);
            assertThat(quick).isGreaterThan(slow + 4);
        }
    }

    @Nested
    class AGate {
        private static final Block GATE = Block.of("noise gate").with(ControlNames.THRESHOLD, -40)
                .with(ControlNames.DEPTH, 50).with(ControlNames.HOLD, 20).with(ControlNames.RELEASE, 50);

        private static Sound noteThenHiss(double hissDb) {
            return Signal.of(t -> t < 0.5
                    ? 0.3 * Math.sin(2 * Math.PI * 200 * t)
                    : Math.pow(10, hissDb / 20) * Math.sin(2 * Math.PI * 3000 * t)).lasting(1.5);
        }

        @Test
        void letsThroughWhatIsLouderThanItsThreshold() {
            float[] y = through(GATE, noteThenHiss(-60));
            assertThat(Signal.rmsDb(y, 12_000, 20_000)).isCloseTo(20 * Math.log10(0.3 / Math.sqrt(2)), within(0.1));
        }

        @ParameterizedTest
        @ValueSource(doubles = {20, 40, 60})
        void lowersWhatIsSofterByItsDepth(double depthDb) {
            Sound in = noteThenHiss(-60);
            double before = Signal.rmsDb(in.mid(), 60_000, 70_000);
            double after = Signal.rmsDb(through(GATE.with(ControlNames.DEPTH, depthDb), in), 60_000, 70_000);
            assertThat(before - after).isCloseTo(depthDb, within(1.0));
        }

        @Test
        void thatIsLowerThanTheHissNeverShuts() {
            Sound in = noteThenHiss(-50);
            float[] y = through(GATE.with(ControlNames.THRESHOLD, -70), in);
            assertThat(Signal.rmsDb(y, 60_000, 70_000)).isCloseTo(Signal.rmsDb(in.mid(), 60_000, 70_000), within(0.1));
        }

        @Test
        void shutsLaterTheLongerItHolds() {
            Sound in = noteThenHiss(-60);
            double at = Signal.rmsDb(through(GATE.with(ControlNames.HOLD, 10), in), 28_000, 30_000);
            double later = Signal.rmsDb(through(GATE.with(ControlNames.HOLD, 400), in), 28_000, 30_000);
            assertThat(later).isGreaterThan(at + 10);
        }
    }
}
