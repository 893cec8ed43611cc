package verisonus.core.simulate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.Control;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.MixLaw;
import verisonus.core.rig.Model;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.loudspeaker.LoudspeakerCurve;
import verisonus.core.simulate.stages.Oversampler;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.simulate.stages.SoftClip;
import verisonus.core.sound.Decibels;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class GearSoundTest {
    private static final long SEED = 11;

    static Stream<Model> models() {
        return Gear.MODELS.stream();
    }

    private static Tone tone(Block... blocks) {
        return new Tone("test", List.of(blocks));
    }

    private static Sound play(Tone tone, Sound in) {
        return Renderer.render(tone, in, Optional.of(in), Quality.SEARCH, Progress.NONE);
    }

    static Stream<String> clippers() {
        return Stream.of(GearKind.DRIVE, GearKind.AMP).flatMap(k -> Gear.of(k).stream()).map(Model::name);
    }

    /** Whether none of it clips, follows the level or makes new frequencies. */
    static Stream<Model> linearModels() {
        return Gear.MODELS.stream().filter(m -> switch (m.kind()) {
            case DRIVE, AMP, GATE, COMPRESSOR -> false;
            case FILTER -> m.name().equals("pedal filter");
            default -> true;
        });
    }

    static Stream<Model> mixing() {
        return Gear.MODELS.stream().filter(m -> m.find("mix").isPresent());
    }

    static Stream<String> spaces() {
        return Gear.of(GearKind.REVERB).stream().map(Model::name).filter(n -> !n.equals("spring"));
    }

    private static Block anywhere(Model m, SplittableRandom random) {
        Block b = Block.of(m.name());
        for (Control c : m.controls()) {
            double p = random.nextInt(4) == 0 ? random.nextInt(2) : random.nextDouble();
            b = b.with(c.name(), c.isChoice() ? Math.rint(p * c.maximum()) : c.valueAt(p));
        }
        return b;
    }

    @Nested
    class EveryBlock {
        @ParameterizedTest
        @MethodSource("verisonus.core.simulate.GearSoundTest#models")
        void turnsSilenceIntoSilence(Model m) {
            Sound out = play(tone(anywhere(m, new SplittableRandom(SEED))), Signal.silence().lasting(0.2));
            assertThat(out.peak()).isLessThan(1e-6);
        }

        @ParameterizedTest
        @MethodSource("verisonus.core.simulate.GearSoundTest#models")
        void staysANumberForAnySettingAndInput(Model m) {
            SplittableRandom random = new SplittableRandom(SEED);
            List<Sound> inputs = List.of(Signal.noise(1).lasting(0.1), Signal.of(_ -> 1).lasting(0.1),
                    Signal.of(_ -> 1e-39).lasting(0.1), Signal.impulse().lasting(0.1));
            for (int i = 0; i < 6; i++) {
                Tone t = tone(anywhere(m, random));
                for (Sound in : inputs) {
                    assertThat(Float.isFinite((float) play(t, in).rms())).as("%s", t).isTrue();
                    assertThat(play(t, in).peak()).isLessThan(1e4);
                }
            }
        }

        @ParameterizedTest
        @MethodSource("verisonus.core.simulate.GearSoundTest#models")
        void thatIsOffChangesNothing(Model m) {
            Sound in = Signal.noise(2).atDb(-20).lasting(0.1);
            Sound out = play(tone(anywhere(m, new SplittableRandom(SEED)).switched(false)), in);
            assertThat(out.mid()).isEqualTo(in.mid());
        }

        @ParameterizedTest
        @MethodSource("verisonus.core.simulate.GearSoundTest#models")
        void soundsTheSameInBlocksOfAnySize(Model m) {
            Tone t = tone(anywhere(m, new SplittableRandom(SEED)));
            float[] in = Signal.plucks(0.1, 3).samples(6000);
            assertThat(inBlocks(t, in, 97)).isEqualTo(inBlocks(t, in, Chain.BLOCK));
        }

        private float[] inBlocks(Tone t, float[] in, int size) {
            Chain chain = new Chain(t, Quality.SEARCH);
            float[] out = new float[in.length];
            float[][] block = new float[2][Chain.BLOCK];
            for (int at = 0; at < in.length; at += size) {
                int n = Math.min(size, in.length - at);
                System.arraycopy(in, at, block[0], 0, n);
                System.arraycopy(in, at, block[1], 0, n);
                chain.process(block, n);
                System.arraycopy(block[0], 0, out, at, n);
            }
            return out;
        }
    }

    @Nested
    class LinearBlocks {
        @ParameterizedTest
        @MethodSource("verisonus.core.simulate.GearSoundTest#linearModels")
        void twiceTheInputIsTwiceTheOutput(Model m) {
            Block b = anywhere(m, new SplittableRandom(SEED));
            Tone t = tone(m.kind() == GearKind.ECHO ? b.with("drive", 0) : b);
            Sound in = Signal.plucks(0.1, 3).atDb(-6).lasting(0.4);
            float[] once = play(t, in).mid();
            float[] twice = play(t, in.gained(20 * Math.log10(2))).mid();
            for (int i = 0; i < once.length; i += 13)
                assertThat(twice[i]).isCloseTo(2 * once[i], within(2e-5f + Math.abs(once[i]) * 1e-4f));
        }

        @Test
        void aFlatEqualizerIsTheDrySoundBitForBit() {
            Sound in = Signal.noise(4).lasting(0.1);
            assertThat(play(tone(Block.of("parametric equalizer")), in).mid()).isEqualTo(in.mid());
        }

        @ParameterizedTest
        @MethodSource("verisonus.core.simulate.GearSoundTest#mixing")
        void mixAtZeroIsTheDrySound(Model model) {
            Sound in = Signal.noise(4).atDb(-6).lasting(0.2);
            Sound out = play(tone(Block.of(model.name()).with("mix", 0)), in);
            for (int i = 0; i < in.frames(); i++) assertThat(out.channel(0)[i]).isEqualTo(in.channel(0)[i]);
        }

        @ParameterizedTest
        @CsvSource({"1×12 open, condenser microphone", "4×12 closed, dynamic microphone"})
        void cabinetAndMicrophoneFollowTheirCurve(String cabinet, String microphone) {
            Block box = Block.of(cabinet);
            Block mic = Block.of(microphone).with("position", 40).with("distance", 8).with("level", -3);
            for (double hz : new double[]{150, 700, 2500, 5000}) {
                Sound out = play(tone(box, mic), Signal.sine(hz).atDb(-20).lasting(0.6));
                float[] settled = Arrays.copyOfRange(out.mid(), 9600, 24000);
                double want = -20 + LoudspeakerCurve.totalDb(tone(box, mic), hz);
                assertThat(Signal.levelDbAt(settled, hz, 48000)).as("%.0f Hz", hz).isCloseTo(want, within(0.4));
            }
        }

        @Test
        void twoUnlikeSpeakersLieBetweenWhatEachIsAlone() {
            Block box = Block.of("4×12 closed").with("speaker", 1).with("second speaker", 2);
            Block biting = Block.of("4×12 closed").with("speaker", 2);
            for (double hz = 80; hz < 8000; hz *= 1.3) {
                double one = LoudspeakerCurve.cabinetDb(box, hz);
                double other = LoudspeakerCurve.cabinetDb(biting, hz);
                double both = LoudspeakerCurve.cabinetDb(box.with("second share", 40), hz);
                assertThat(both).as("%.0f Hz", hz).isBetween(Math.min(one, other) - 1e-9, Math.max(one, other) + 1e-9);
                assertThat(LoudspeakerCurve.cabinetDb(box.with("second share", 100), hz)).isCloseTo(other,
                        within(1e-9));
            }
        }

        @Test
        void theMicrophoneDarkensTowardsTheEdge() {
            Block mic = Block.of("dynamic microphone");
            double last = 100;
            for (double p = 0; p <= 100; p += 20) {
                double now = LoudspeakerCurve.microphoneDb(mic.with("position", p), 4500);
                assertThat(now).isLessThan(last);
                last = now;
            }
        }
    }

    @Nested
    class Clipping {
        private static float[] played(Block block, double hz, double db, Quality quality) {
            float[] out = Renderer.render(tone(block), Signal.sine(hz).atDb(db).lasting(0.7), quality, Progress.NONE)
                    .mid();
            return Arrays.copyOfRange(out, 9600, 9600 + 19200);
        }

        @ParameterizedTest
        @MethodSource("verisonus.core.simulate.GearSoundTest#clippers")
        void leavesNextToNothingInharmonicWithEverythingUp(String model) {
            // Two nearly square stages in a row make more than four times the rate can hold.
            double worse = model.equals("two-transistor fuzz") ? 18 : 0;
            assertThat(loudestAlias(model, 2500)).as(model).isLessThan(-63 + worse);
            assertThat(loudestAlias(model, 5000)).as(model).isLessThan(-55 + worse);
        }

        /** Against the fundamental, dB. Whatever folds back of these tones' harmonics falls on a multiple of 500 Hz. */
        private static double loudestAlias(String model, double toneHz) {
            Block b = Block.of(model);
            for (String c : List.of("drive", "gain", "master")) if (b.model().find(c).isPresent()) b = b.with(c, 10);
            float[] x = played(b, toneHz, -6, Quality.FINAL);
            double loudest = -200;
            for (double hz = 500; hz < 16000; hz += 500) {
                if (hz % toneHz == 0) continue;
                loudest = Math.max(loudest, Signal.levelDbAt(x, hz, 48000));
            }
            return loudest - Signal.levelDbAt(x, toneHz, 48000);
        }

        @ParameterizedTest
        @CsvSource({"mid-hump overdrive, drive", "chiming edge, gain", "mid-forward crunch, gain",
                "tight saturated, gain"})
        void moreGainNeverMakesFewerHarmonics(String model, String control) {
            double last = 0;
            for (double v = 0; v <= 10; v += 2.5) {
                float[] x = played(Block.of(model).with(control, v), 300, -20, Quality.SEARCH);
                double share = harmonics(x, 300);
                assertThat(share).as("%s %s %.1f", model, control, v).isGreaterThanOrEqualTo(last - 0.02);
                last = share;
            }
            assertThat(last).isGreaterThan(0.05);
        }

        /** Amplitude of the second to ninth harmonic against the whole. */
        private static double harmonics(float[] x, double hz) {
            double rest = 0;
            for (int h = 2; h <= 9; h++) rest += Decibels.toPower(Signal.levelDbAt(x, h * hz, 48000));
            return Math.sqrt(rest / (rest + Decibels.toPower(Signal.levelDbAt(x, hz, 48000))));
        }

        @Test
        void softClippingIsOddAndBounded() {
            for (double x = 0; x < 20; x += 0.37) {
                assertThat(SoftClip.of(-x)).isEqualTo(-SoftClip.of(x));
                assertThat(SoftClip.of(x)).isBetween(0.0, 1.0000001);
                if (x < 0.5) assertThat(SoftClip.nearZero(x)).isCloseTo(SoftClip.of(x), within(3e-4));
            }
        }

        @Test
        void anAmpCompressesLoudPlayingMoreWithSag() {
            Sound burst = Signal.of(t -> (t < 0.3 ? 0.05 : 1) * Math.sin(2 * Math.PI * 200 * t)).atDb(-6).lasting(0.8);
            Block amp = Block.of("chiming edge").with("gain", 3).with("master", 8);
            float[] stiff = play(tone(amp.with("sag", 0)), burst).mid();
            float[] soft = play(tone(amp.with("sag", 10)), burst).mid();
            double droopStiff = Signal.rmsDb(stiff, 15000, 15600) - Signal.rmsDb(stiff, 30000, 36000);
            double droopSoft = Signal.rmsDb(soft, 15000, 15600) - Signal.rmsDb(soft, 30000, 36000);
            assertThat(droopSoft).isGreaterThan(droopStiff + 0.1);
        }

        @ParameterizedTest
        @ValueSource(ints = {1, 2, 4})
        void oversamplingAloneKeepsTheBand(int factor) {
            Oversampler o = new Oversampler(factor);
            float[] in = Signal.sine(9000).atDb(-6).samples(9600);
            float[] up = new float[in.length * factor];
            o.up(in, in.length, up);
            float[] back = new float[in.length];
            o.down(up, in.length, back);
            float[] settled = Arrays.copyOfRange(back, 2000, 9600);
            assertThat(Signal.levelDbAt(settled, 9000, 48000)).isCloseTo(-6, within(0.05));
        }
    }

    @Nested
    class Effects {
        @ParameterizedTest
        @ValueSource(doubles = {21, 285.7, 500, 1999})
        void echoTimesAreExactToTheSample(double ms) {
            Block echo = Block.of("clean echo").with("time", ms).with("mix", 50).with("feedback", 50);
            float[] out = play(tone(echo), Signal.impulse().lasting(4.2)).mid();
            int delay = (int) Math.round(ms * 48);
            assertThat(out[delay]).isCloseTo(1f, within(1e-6f));
            assertThat(out[2 * delay]).isCloseTo(0.5f, within(1e-6f));
            assertThat(out[delay - 1]).isZero();
        }

        @Test
        void theMixThatIsAskedForInDecibelsIsHeard() {
            for (double db : new double[]{-20, -7, 0}) {
                Block echo = Block.of("clean echo").with("time", 100).with("mix", MixLaw.HELD.percentFor(db))
                        .with("feedback", 0);
                float[] out = play(tone(echo), Signal.impulse().lasting(0.3)).mid();
                assertThat(Decibels.fromAmplitude(out[4800] / out[0])).isCloseTo(db, within(0.01));
            }
        }

        @Test
        void pingPongAnswersOnOneSideThenTheOther() {
            Block echo = Block.of("clean echo").with("time", 100).with("mix", 50).with("feedback", 50).with("sides", 1);
            Sound out = play(tone(echo), Signal.impulse().lasting(0.5));
            assertThat(out.channel(0)[4800]).isGreaterThan(0.4f);
            assertThat(out.channel(1)[4800]).isZero();
            assertThat(out.channel(1)[9600]).isGreaterThan(0.1f);
        }

        @ParameterizedTest
        @MethodSource("verisonus.core.simulate.GearSoundTest#spaces")
        void everySpaceDecaysAsLongAsItSays(String space) {
            for (double decayS : new double[]{0.4, 1.0, 2.5}) decaysAsLongAsItSays(space, decayS);
        }

        private void decaysAsLongAsItSays(String space, double decayS) {
            Block hall = Block.of(space).with("decay", decayS).with("mix", 100).with("low cut", 20)
                    .with("high cut", 20000).with("pre-delay", 0);
            float[] out = play(tone(hall), Signal.impulse().lasting(decayS * 0.9)).mid();
            int from = (int) (0.2 * decayS * 48000);
            int to = (int) (0.7 * decayS * 48000);
            int window = (int) (0.1 * decayS * 48000);
            double fall = Signal.rmsDb(out, from, from + window) - Signal.rmsDb(out, to, to + window);
            double decay = 60 * (to - from) / 48000.0 / fall;
            assertThat(decay).as("%s at %.1f s", space, decayS).isCloseTo(decayS, within(0.1 * decayS));
        }

        @Test
        void preDelayHoldsTheHallBack() {
            Block hall = Block.of("plain hall").with("mix", 100).with("pre-delay", 80);
            float[] out = play(tone(hall), Signal.impulse().lasting(0.3)).mid();
            int first = 0;
            while (Math.abs(out[first]) < 1e-5) first++;
            assertThat(first / 48.0).isBetween(80.0, 80.0 + 80.0);
        }

        @Test
        void thePhaserSweepsAtItsRate() {
            Block phaser = Block.of("four-stage phaser").with("rate", 2).with("depth", 80).with("mix", 50);
            float[] out = play(tone(phaser), Signal.sine(900).atDb(-6).lasting(4)).mid();
            // The level at one frequency repeats once a sweep: compare it with itself half a sweep and a whole one later.
            double whole = 0;
            double half = 0;
            for (int t = 24000; t < 150000; t += 1200) {
                double now = Signal.rmsDb(out, t, t + 1200);
                whole += Math.abs(now - Signal.rmsDb(out, t + 24000, t + 25200));
                half += Math.abs(now - Signal.rmsDb(out, t + 12000, t + 13200));
            }
            assertThat(whole).isLessThan(0.1 * half);
        }
    }

    @Nested
    class Rendering {
        private final Tone full = tone(Block.of("mid-hump overdrive"), Block.of("chiming edge"), Block.of("2×12 open"),
                Block.of("ribbon microphone"), Block.of("clean echo").with("mix", 20));

        @Test
        void isAsLongAsTheInputAndInTimeWithIt() {
            Sound in = Signal.of(t -> t < 0.1 ? 0 : Math.sin(2 * Math.PI * 300 * t)).atDb(-12).lasting(0.5);
            float[] out = play(full, in).mid();
            assertThat(out).hasSize(in.frames());
            int first = 0;
            while (Math.abs(out[first]) < 1e-3) first++;
            assertThat(first / 48000.0).isCloseTo(0.1, within(0.002));
        }

        @Test
        void isTheSameEachTime() {
            Sound in = Signal.plucks(0.1, 1).lasting(0.4);
            assertThat(play(full, in).mid()).isEqualTo(play(full, in).mid());
        }

        @Test
        void everyQualityAgreesOnTheSpectrum() {
            Sound in = Signal.plucks(0.2, 1).atDb(-10).lasting(1);
            List<Double> levels = new ArrayList<>();
            for (Quality q : Quality.values()) {
                levels.add(Decibels.fromAmplitude(Renderer.render(full, in, q, Progress.NONE).rms()));
            }
            assertThat(levels.get(0)).isCloseTo(levels.get(2), within(0.3));
            assertThat(levels.get(1)).isCloseTo(levels.get(2), within(0.1));
        }
    }
}
