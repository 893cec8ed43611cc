package verisonus.core.simulate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/** Gear that moves: gates, compressors, filters, tremolo, chorus and their like. */
class MovingGearTest {
    private static Sound play(Block block, Sound in) {
        return Renderer.render(new Tone("test", List.of(block)), in, Optional.of(in), Quality.SEARCH, Progress.NONE);
    }

    private static Sound tone(double hz, double db, double seconds) {
        return Signal.sine(hz).atDb(db).lasting(seconds);
    }

    /** Rate at which a curve sampled every 5 ms repeats, by counting its rises through the middle over whole cycles. */
    private static double rateHz(double[] curve) {
        double middle = Arrays.stream(curve).average().orElseThrow();
        double first = -1;
        double last = -1;
        int cycles = -1;
        for (int i = 1; i < curve.length; i++) {
            if (curve[i - 1] < middle && curve[i] >= middle) {
                double at = i - 1 + (middle - curve[i - 1]) / (curve[i] - curve[i - 1]);
                if (first < 0) first = at;
                last = at;
                cycles++;
            }
        }
        return cycles / ((last - first) * 0.005);
    }

    private static double[] levels(float[] x) {
        double[] out = new double[x.length / 240 - 1];
        for (int i = 0; i < out.length; i++) out[i] = Signal.rmsDb(x, i * 240, i * 240 + 240);
        return out;
    }

    @ParameterizedTest
    @CsvSource({"bias tremolo, 4", "optical tremolo, 5.5", "bias tremolo, 9", "optical tremolo, 2"})
    void aTremoloSwaysAtItsRate(String model, double hz) {
        Block b = Block.of(model).with("rate", hz).with("depth", 80);
        assertThat(rateHz(levels(play(b, tone(1000, -6, 10)).mid()))).isCloseTo(hz, within(0.005 * hz));
    }

    @ParameterizedTest
    @ValueSource(strings = {"bias tremolo", "optical tremolo"})
    void fullDepthGoesDownToSilenceAndNeverBeyondTheDrySound(String model) {
        double[] level = levels(play(Block.of(model).with("rate", 3).with("depth", 100), tone(1000, -6, 2)).mid());
        assertThat(Arrays.stream(level).min().orElseThrow()).isLessThan(-40);
        assertThat(Arrays.stream(level).max().orElseThrow()).isLessThan(-9 + 0.05);
    }

    @Test
    void aHarmonicTremoloTurnsHighsDownWhileLowsAreUp() {
        Block b = Block.of("harmonic tremolo").with("rate", 2).with("depth", 100);
        double[] low = levels(play(b, tone(100, -6, 3)).mid());
        double[] high = levels(play(b, tone(6000, -6, 3)).mid());
        double product = 0;
        double meanLow = Arrays.stream(low).average().orElseThrow();
        double meanHigh = Arrays.stream(high).average().orElseThrow();
        for (int i = 0; i < low.length; i++) product += (low[i] - meanLow) * (high[i] - meanHigh);
        assertThat(product).isNegative();
    }

    @ParameterizedTest
    @CsvSource({"4, 30", "6, 50"})
    void aVibratoSwaysThePitchAtItsRateAndAsFarAsItSays(double hz, double depth) {
        Block b = Block.of("vibrato").with("rate", hz).with("depth", depth);
        float[] x = play(b, tone(1000, -6, 6)).mid();
        double[] pitch = new double[x.length / 240 - 40];
        for (int i = 0; i < pitch.length; i++) pitch[i] = periodHz(x, 4800 + i * 240);
        assertThat(rateHz(pitch)).isCloseTo(hz, within(0.005 * hz));
        double highest = 1200 * Math.log(Arrays.stream(pitch).max().orElseThrow() / 1000) / Math.log(2);
        assertThat(highest).isCloseTo(depth, within(0.12 * depth));
    }

    /** From the rises through zero in 5 ms. */
    private static double periodHz(float[] x, int from) {
        double first = -1;
        double last = -1;
        int cycles = -1;
        for (int i = from; i < from + 240; i++) {
            if (x[i - 1] < 0 && x[i] >= 0) {
                double at = i - 1 - x[i - 1] / (double) (x[i] - x[i - 1]);
                if (first < 0) first = at;
                last = at;
                cycles++;
            }
        }
        return 48000 * cycles / (last - first);
    }

    @ParameterizedTest
    @ValueSource(strings = {"chorus", "flanger", "four-stage phaser"})
    void aSweepComesBackOnceItsPeriodLater(String model) {
        Block b = Block.of(model).with("rate", 2).with("depth", 60).with("mix", 50);
        float[] x = play(b, Signal.sine(900).atDb(-6).lasting(4)).mid();
        double whole = 0;
        double part = 0;
        for (int t = 24000; t < 150000; t += 1200) {
            double now = Signal.rmsDb(x, t, t + 1200);
            whole += Math.abs(now - Signal.rmsDb(x, t + 24000, t + 25200));
            part += Math.abs(now - Signal.rmsDb(x, t + 9600, t + 10800));
        }
        assertThat(whole).isLessThan(0.1 * part);
    }

    @Test
    void theSumOfAWideChorusMovesLessThanItsSides() {
        Block b = Block.of("wide chorus").with("depth", 60).with("mix", 50);
        Sound out = play(b, Signal.noise(3).atDb(-12).lasting(3));
        assertThat(out.isStereo()).isTrue();
        float[] l = out.channel(0);
        float[] r = out.channel(1);
        double unlike = 0;
        for (int i = 48000; i < l.length; i++) unlike += Math.abs(l[i] - r[i]);
        assertThat(unlike / l.length).isGreaterThan(0.01);
    }

    @Test
    void aRotaryComesToSpeedFromStandingStill() {
        Block b = Block.of("rotary").with("speed", 1).with("mix", 100).with("depth", 100).with("inertia", 0.5)
                .with("spread", 0);
        double[] level = levels(play(b, tone(9000, -6, 12)).mid());
        assertThat(rateHz(Arrays.copyOfRange(level, 1400, level.length))).isCloseTo(6.7, within(0.03));
        assertThat(rateHz(Arrays.copyOfRange(level, 0, 200))).isLessThan(6.3);
    }

    @Test
    void aGateLowersWhatIsSoftByItsDepthAndLeavesWhatIsLoud() {
        Block b = Block.of("noise gate").with("threshold", -40).with("depth", 30).with("hold", 10).with("release", 50);
        float[] soft = play(b, tone(500, -60, 1)).mid();
        float[] loud = play(b, tone(500, -20, 1)).mid();
        assertThat(Signal.levelDbAt(Arrays.copyOfRange(soft, 24000, 48000), 500, 48000)).isCloseTo(-90, within(0.5));
        assertThat(Signal.levelDbAt(Arrays.copyOfRange(loud, 24000, 48000), 500, 48000)).isCloseTo(-20, within(0.1));
    }

    @Test
    void aGateDoesNotFlutterBetweenItsTwoThresholds() {
        Block b = Block.of("noise gate").with("threshold", -40).with("depth", 60).with("hold", 0).with("release", 5);
        Sound swaying = Signal.of(t -> (1 + 0.2 * Math.sin(2 * Math.PI * 11 * t)) * Math.sin(2 * Math.PI * 400 * t))
                .atDb(-38.5).lasting(2);
        double[] level = levels(play(b, swaying).mid());
        int turns = 0;
        for (int i = 1; i < level.length; i++) if (level[i - 1] < -70 != level[i] < -70) turns++;
        assertThat(turns).isLessThan(3);
    }

    @ParameterizedTest
    @ValueSource(strings = {"soft-knee compressor", "slow optical compressor"})
    void aCompressorLetsLoudNotesGrowByItsRatio(String model) {
        Block b = Block.of(model).with("threshold", -40).with("ratio", 4).with("release", 60);
        double low = Signal.rmsDb(play(b, tone(800, -24, 3)).mid(), 120000, 140000);
        double high = Signal.rmsDb(play(b, tone(800, -8, 3)).mid(), 120000, 140000);
        assertThat(high - low).isCloseTo(16 / 4.0, within(0.5));
    }

    @Test
    void aRatioOfOneLeavesTheSound() {
        Sound in = Signal.noise(1).atDb(-10).lasting(0.3);
        float[] out = play(Block.of("soft-knee compressor").with("threshold", -60), in).mid();
        for (int i = 0; i < out.length; i++) assertThat(out[i]).isCloseTo(in.mid()[i], within(1e-6f));
    }

    @Test
    void anEnvelopeFilterOpensForStrongPicking() {
        Block b = Block.of("envelope filter").with("mix", 100).with("sensitivity", 60).with("resonance", 4);
        double soft = highShare(play(b, Signal.noise(2).atDb(-50).lasting(1)).mid());
        double hard = highShare(play(b, Signal.noise(2).atDb(-20).lasting(1)).mid());
        assertThat(hard).isGreaterThan(soft + 3);
    }

    private static double highShare(float[] x) {
        float[] y = Arrays.copyOfRange(x, 12000, 44000);
        double low = 0;
        double high = 0;
        for (double hz = 300; hz < 500; hz += 10) low += Math.pow(10, Signal.levelDbAt(y, hz, 48000) / 10);
        for (double hz = 1500; hz < 2500; hz += 50) high += Math.pow(10, Signal.levelDbAt(y, hz, 48000) / 10);
        return 10 * Math.log10(high / low);
    }

    @Test
    void anOctaveAddsTwiceAndHalfTheFrequency() {
        Block b = Block.of("octave").with("above", 100).with("below", 100).with("dry", 0);
        float[] x = Arrays.copyOfRange(play(b, tone(200, -12, 1.2)).mid(), 9600, 48000);
        assertThat(Signal.levelDbAt(x, 400, 48000)).isGreaterThan(-30);
        assertThat(Signal.levelDbAt(x, 100, 48000)).isGreaterThan(-30);
        assertThat(Signal.levelDbAt(x, 200, 48000)).isLessThan(Signal.levelDbAt(x, 100, 48000) - 15);
    }

    @Test
    void aLooperPlaysWhatItHeardBeneathTheSilence() {
        Block b = Block.of("looper").with("length", 0.5).with("level", 50);
        Sound burst = Signal.of(t -> t < 0.3 ? Math.sin(2 * Math.PI * 300 * t) : 0).atDb(-6).lasting(2);
        float[] out = play(b, burst).mid();
        assertThat(Signal.rmsDb(out, 25000, 36000)).isCloseTo(Signal.rmsDb(burst.mid(), 1000, 12000) - 6, within(0.2));
    }

    @Test
    void springsSmearAPulseAndDieAwayAsLongAsTheySay() {
        Block b = Block.of("spring").with("mix", 100).with("decay", 1.5).with("low cut", 20).with("pre-delay", 0);
        float[] out = play(b, Signal.impulse().lasting(1.4)).mid();
        double fall = Signal.rmsDb(out, 12000, 19200) - Signal.rmsDb(out, 43200, 50400);
        assertThat(60 * 31200 / 48000.0 / fall).isCloseTo(1.5, within(0.15));
        double peak = 0;
        for (int i = 1000; i < 48000; i++) peak = Math.max(peak, Math.abs(out[i]));
        assertThat(peak).isLessThan(0.5);
    }

    @Test
    void aGuitarTurnedDownIsSofterAndDullerUnlessTrebleIsPassedRound() {
        Block open = Block.of("passive guitar");
        Block down = open.with("volume", 5);
        double duller = GuitarCurve.guitarDb(down, 5000) - GuitarCurve.guitarDb(down, 400);
        double passed = GuitarCurve.guitarDb(down.with("treble bypass", 1), 5000)
                - GuitarCurve.guitarDb(down.with("treble bypass", 1), 400);
        assertThat(GuitarCurve.guitarDb(open, 1000)).isCloseTo(0, within(0.05));
        assertThat(GuitarCurve.guitarDb(down, 400)).isLessThan(-8);
        assertThat(duller).isLessThan(-1);
        assertThat(passed).isGreaterThan(duller + 3);
        assertThat(GuitarCurve.guitarDb(open.with("cable", 2000), 5000)).isLessThan(-3);
    }

    @Test
    void aLowImpedanceLoadsThePickup() {
        Block in = Block.of("instrument input");
        assertThat(GuitarCurve.inputDb(in, 3000)).isCloseTo(0, within(0.01));
        assertThat(GuitarCurve.inputDb(in.with("impedance", 10), 3000)).isLessThan(-12);
        assertThat(GuitarCurve.inputDb(in.with("pad", 1), 3000)).isCloseTo(-12, within(0.01));
    }

    @Test
    void tapeRepeatsDarkenWithEachRoundAndASecondTapLiesAtItsShare() {
        Block tape = Block.of("tape-like echo").with("time", 200).with("mix", 100).with("feedback", 80).with("wow", 0);
        float[] out = play(tape, Signal.impulse().lasting(1)).mid();
        double first = Math.abs(out[9600]);
        double third = Math.abs(out[28800]);
        assertThat(third).isLessThan(0.5 * 0.64 * first);
        Block dual = Block.of("dual echo").with("time", 400).with("mix", 100).with("second tap", 75);
        Sound two = play(dual, Signal.impulse().lasting(1));
        assertThat(two.isStereo()).isTrue();
        assertThat(Math.abs(two.channel(1)[14400])).isGreaterThan(0.9f);
        assertThat(Math.abs(two.channel(0)[19200])).isGreaterThan(0.9f);
    }
}
