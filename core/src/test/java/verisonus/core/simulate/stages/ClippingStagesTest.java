package verisonus.core.simulate.stages;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.simulate.stages.Preamp.Voicing;
import verisonus.core.sound.Signal;

/** The stages that make new frequencies, one at a time at their raised rate. */
class ClippingStagesTest {
    private static final RaisedRate AT = RaisedRate.of(Quality.FINAL);

    private static float[] sine(double hz, double amplitude, double seconds) {
        float[] x = new float[(int) (seconds * AT.rateHz())];
        for (int i = 0; i < x.length; i++) x[i] = (float) (amplitude * Math.sin(2 * Math.PI * hz * i / AT.rateHz()));
        return x;
    }

    private static float[] through(NonlinearStage s, float[] in) {
        float[] x = in.clone();
        s.process(x, x.length);
        return x;
    }

    private static double harmonicDb(float[] x, double hz, int n) {
        float[] settled = Arrays.copyOfRange(x, x.length / 2, x.length);
        return Signal.levelDbAt(settled, n * hz, (int) AT.rateHz())
                - Signal.levelDbAt(settled, hz, (int) AT.rateHz());
    }

    @Nested
    class AClipper {
        @Test
        void keptFromAliasingTakesTheMeanBetweenTwoSamples() {
            SplittableRandom r = new SplittableRandom(1);
            SoftClip clip = new SoftClip(true);
            double before = 0;
            clip.next(0);
            for (int i = 0; i < 2000; i++) {
                double now = 8 * r.nextDouble() - 4;
                double mean = 0;
                for (int k = 0; k < 400; k++) mean += SoftClip.of(before + (now - before) * (k + 0.5) / 400) / 400;
                assertThat(clip.next(now)).isCloseTo(mean, within(1e-4));
                before = now;
            }
        }

        @ParameterizedTest
        @ValueSource(doubles = {0.3, 2.5, 6})
        void takesManyAtOnceAsItTakesThemOneByOne(double amplitude) {
            for (boolean smooth : new boolean[]{true, false}) {
                SplittableRandom r = new SplittableRandom(3);
                double[] in = r.doubles(999, -amplitude, amplitude).toArray();
                double[] out = new double[in.length];
                SoftClip together = new SoftClip(smooth, 0.2);
                together.process(in, out, in.length);
                SoftClip alone = new SoftClip(smooth, 0.2);
                for (int i = 0; i < in.length; i++)
                    assertThat(out[i]).isCloseTo(alone.next(in[i]), within(1e-12)).isBetween(-1.0, 1.0);
                assertThat(together.next(0.1)).as("the last one is remembered").isEqualTo(alone.next(0.1));
            }
        }

        @Test
        void isAsExactForTheSmallestStepsAsForLargeOnes() {
            for (double at = -2.9; at < 2.95; at += 0.173) {
                for (double step : new double[]{0, 1e-12, 1e-6, 1e-3, 0.04, 0.3}) {
                    SoftClip clip = new SoftClip(true, at);
                    double mean = 0;
                    for (int k = 0; k < 200; k++) mean += SoftClip.of(at + step * (k + 0.5) / 200) / 200;
                    assertThat(clip.next(at + step)).isCloseTo(mean, within(2e-6));
                }
            }
        }

        @Test
        void ofDiodesIsStraightUpToOneAndFlatFromThere() {
            HardClip clip = new HardClip(false);
            for (double x = -3; x <= 3; x += 0.1)
                assertThat(clip.next(x)).isCloseTo(Math.clamp(x, -1, 1), within(1e-12));
            HardClip smooth = new HardClip(true);
            double before = 0;
            for (double x = -3; x <= 3; x += 0.37) {
                double now = smooth.next(x);
                assertThat(now).isBetween(-1.0, 1.0);
                assertThat(now).isBetween(Math.min(Math.clamp(before, -1, 1), Math.clamp(x, -1, 1)) - 1e-9,
                        Math.max(Math.clamp(before, -1, 1), Math.clamp(x, -1, 1)) + 1e-9);
                before = x;
            }
        }

        @Test
        void ofFallsOffAsItRises() {
            double last = 2;
            for (double x = 0; x < 3; x += 0.05) {
                double slope = (SoftClip.of(x + 1e-4) - SoftClip.of(x)) / 1e-4;
                assertThat(slope).isLessThan(last + 1e-6).isGreaterThanOrEqualTo(-1e-9);
                last = slope;
            }
        }
    }

    @Nested
    class AValve {
        @Test
        void inTheMiddleMakesOddHarmonicsAndLopsidedEvenOnesToo() {
            float[] middle = through(new TriodeStage(6, 0, 12, 18_000, AT), sine(300, 0.3, 0.6));
            float[] lopsided = through(new TriodeStage(6, 0.3, 12, 18_000, AT), sine(300, 0.3, 0.6));
            assertThat(harmonicDb(middle, 300, 3)).isGreaterThan(-25);
            assertThat(harmonicDb(lopsided, 300, 2)).isGreaterThan(harmonicDb(middle, 300, 2) + 6);
        }

        @Test
        void playedSoftlyIsNearlyStraight() {
            float[] soft = through(new TriodeStage(4, 0.1, 12, 18_000, AT), sine(300, 0.01, 0.6));
            for (int n = 2; n < 6; n++) assertThat(harmonicDb(soft, 300, n)).isLessThan(-40);
        }

        @Test
        void blocksForAMomentAfterALoudNote() {
            TriodeStage s = new TriodeStage(30, 0.1, 12, 18_000, AT);
            float[] x = sine(300, 0.01, 0.5);
            float[] calm = through(s, x);
            s.reset();
            s.process(sine(120, 0.9, 0.3), (int) (0.3 * AT.rateHz()));
            float[] after = through(s, x);
            double early = Signal.rmsDb(after, 0, 1500) - Signal.rmsDb(calm, 0, 1500);
            double late = Signal.rmsDb(after, 80_000, 90_000) - Signal.rmsDb(calm, 80_000, 90_000);
            assertThat(Math.abs(late)).isLessThan(0.5);
            assertThat(Math.abs(early)).isGreaterThan(Math.abs(late));
        }

        @Test
        void isAsNewAfterAReset() {
            TriodeStage s = new TriodeStage(20, 0.2, 40, 9000, AT);
            float[] first = through(s, sine(200, 0.5, 0.2));
            s.reset();
            assertThat(through(s, sine(200, 0.5, 0.2))).isEqualTo(first);
        }
    }

    @Nested
    class APreamp {
        @ParameterizedTest
        @EnumSource(Voicing.class)
        void withMoreGainIsNeverSofter(Voicing v) {
            double last = -200;
            for (double gain = 0; gain <= 10; gain += 2.5) {
                Block amp = Block.of("chiming edge").with(ControlNames.GAIN, gain);
                double now = Signal.rmsDb(through(new Preamp(amp, v, AT), sine(400, 0.05, 0.4)), 30_000, 70_000);
                assertThat(now).isGreaterThan(last - 0.1);
                last = now;
            }
        }

        @ParameterizedTest
        @EnumSource(Voicing.class)
        void inPiecesIsTheSameAsInOne(Voicing v) {
            Block amp = Block.of("chiming edge").with(ControlNames.GAIN, 7);
            float[] in = sine(250, 0.4, 0.1);
            float[] whole = through(new Preamp(amp, v, AT), in);
            float[] pieces = in.clone();
            Preamp p = new Preamp(amp, v, AT);
            for (int from = 0; from < in.length; from += 640) {
                float[] part = Arrays.copyOfRange(pieces, from, from + 640);
                p.process(part, 640);
                System.arraycopy(part, 0, pieces, from, 640);
            }
            assertThat(pieces).isEqualTo(whole);
        }
    }

    @Nested
    class APowerStage {
        @ParameterizedTest
        @ValueSource(doubles = {0.05, 0.4, 1})
        void isNeverLouderWithASupplyThatDroops(double amplitude) {
            double last = 200;
            for (double sag = 0; sag <= 10; sag += 2.5) {
                Block amp = Block.of("chiming edge").with(ControlNames.SAG, sag).with(ControlNames.MASTER, 7);
                double now = Signal.rmsDb(through(new PowerStage(amp, 0, AT), sine(150, amplitude, 0.5)), 50_000,
                        90_000);
                assertThat(now).isLessThan(last + 0.05);
                last = now;
            }
        }

        @Test
        void inBalanceMakesHardlyAnyEvenHarmonics() {
            Block amp = Block.of("chiming edge").with(ControlNames.SAG, 0).with(ControlNames.MASTER, 9);
            float[] pair = through(new PowerStage(amp, 0, AT), sine(200, 0.6, 0.6));
            float[] single = through(new PowerStage(amp, 0.25, AT), sine(200, 0.6, 0.6));
            assertThat(harmonicDb(pair, 200, 2)).isLessThan(-60);
            assertThat(harmonicDb(single, 200, 2)).isGreaterThan(-40);
        }

        @Test
        void ofAnyRateDroopsAlike() {
            Block amp = Block.of("chiming edge").with(ControlNames.SAG, 8).with(ControlNames.MASTER, 8);
            double[] level = new double[2];
            for (int q = 0; q < 2; q++) {
                RaisedRate at = RaisedRate.of(List.of(Quality.DRAFT, Quality.FINAL).get(q));
                float[] x = new float[(int) (0.6 * at.rateHz())];
                for (int i = 0; i < x.length; i++) x[i] = (float) (0.6 * Math.sin(2 * Math.PI * 150 * i / at.rateHz()));
                new PowerStage(amp, 0, at).process(x, x.length);
                level[q] = Signal.rmsDb(x, x.length / 2, x.length);
            }
            assertThat(level[0]).isCloseTo(level[1], within(0.15));
        }
    }

    @Nested
    class ASofterPick {
        @Test
        void isHeldBackWhereItStrikesAndNotWhereItRings() {
            float[] x = new float[(int) (0.4 * AT.rateHz())];
            for (int i = 0; i < x.length; i++)
                x[i] = (float) (i < 9600 ? 0 : 0.5 * Math.sin(2 * Math.PI * 400 * i / AT.rateHz()));
            float[] y = through(new AttackSoftening(8, AT), x);
            double strike = Signal.rmsDb(y, 9700, 10_500) - Signal.rmsDb(x, 9700, 10_500);
            double ring = Signal.rmsDb(y, 60_000, 75_000) - Signal.rmsDb(x, 60_000, 75_000);
            assertThat(strike).isLessThan(ring - 2);
            assertThat(ring).isCloseTo(0, within(0.6));
        }
    }
}
