package verisonus.core.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Gear;
import verisonus.core.rig.GearKind;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.colour.EmptyBands;
import verisonus.core.search.colour.EqualizerFit;
import verisonus.core.search.colour.Features;
import verisonus.core.sound.Biquad;
import verisonus.core.sound.Signal;
import verisonus.core.take.SearchSegment;

class SearchPartsTest {
    private static final Tone NONE = new Tone("none", List.of());
    private static final Rig SMALL = new Rig(List.of(),
            Map.of("2×12 open", 1, "4×12 closed", 1, "dynamic microphone", 1),
            Map.of(), 9);

    @Nested
    class Envelope {
        private final float[] playing = Signal.plucks(0.2, 3).samples(96000);

        @Test
        void doesNotSeeAnythingLinearAndSteady() {
            float[] filtered = playing.clone();
            new Biquad.Section(Biquad.peak(900, 9, 0.7, 48000)).process(filtered, 0, filtered.length);
            new Biquad.Section(Biquad.lowPass(6000, 0.7, 48000)).process(filtered, 0, filtered.length);
            assertThat(Features.of(playing, 0, 48000).motionDistance(Features.of(filtered, 0, 48000))).isLessThan(0.7);
        }

        @Test
        void seesAClipper() {
            float[] clipped = Signal.array(playing.length, i -> Math.tanh(12 * playing[i]));
            assertThat(Features.of(playing, 0, 48000).motionDistance(Features.of(clipped, 0, 48000)))
                    .isGreaterThan(1.5);
        }

        @Test
        void aGainMovesTheLevelAndNothingElse() {
            Features a = Features.of(playing, 0, 48000);
            Features b = Features.of(Signal.array(playing.length, i -> 0.25f * playing[i]), 0, 48000);
            assertThat(a.motionDistance(b)).isLessThan(1e-3);
            for (int k = 0; k < a.levelDb().length; k += 5) {
                assertThat(b.levelDb()[k] - a.levelDb()[k]).isCloseTo(-12.04, within(0.01));
            }
        }
    }

    @Nested
    class AllCabinetsAtOnce {
        private final CurveDictionary dictionary = new CurveDictionary(SearchOptions.defaults().withRig(SMALL));
        private final double[] even = new double[Features.LEVEL_BANDS.count()];
        private final LinearPart linear;

        AllCabinetsAtOnce() {
            Arrays.fill(even, 1);
            linear = new LinearPart(dictionary, even, 0.02);
        }

        @ParameterizedTest
        @ValueSource(ints = {0, 60, 130, 200, 340})
        void theCurveThatIsMissingIsFoundOrOneThatSoundsTheSame(int k) {
            double[] missing = dictionary.curve(k).clone();
            for (int b = 0; b < missing.length; b++) missing[b] += 7;
            int found = linear.bestCurve(missing);
            double error = 0;
            for (double v : linear.residuals(missing, found)) error += v * v;
            assertThat(Math.sqrt(error)).as("entry %d against %d", found, k).isLessThan(0.6);
        }

        @Test
        void theBestIsTheBestOfAll() {
            double[] missing = new double[even.length];
            for (int b = 0; b < missing.length; b++) missing[b] = 4 * Math.sin(b / 5.0) - 0.3 * b;
            int found = linear.bestCurve(missing);
            double best = size(linear.residuals(missing, found));
            for (int k = 0; k < dictionary.size(); k += 7) {
                assertThat(size(linear.residuals(missing, k))).isGreaterThanOrEqualTo(best - 1e-9);
            }
        }

        private static double size(double[] r) {
            return Arrays.stream(r).map(v -> v * v).sum();
        }

        @Test
        void loudnessIsFree() {
            double[] a = dictionary.curve(20).clone();
            double[] b = a.clone();
            for (int i = 0; i < b.length; i++) b[i] -= 30;
            assertThat(linear.bestCurve(b)).isEqualTo(linear.bestCurve(a));
        }

        @Test
        void extremesCostMoreThanTheMiddle() {
            int middle = -1;
            int end = -1;
            for (int k = 0; k < dictionary.size(); k++) {
                CurveDictionary.Entry e = dictionary.entry(k);
                double p = e.microphone().orElseThrow().get("position");
                if (e.presence() == 5 && p == 30) middle = k;
                if (e.presence() == 9 && p == 100) end = k;
            }
            assertThat(dictionary.habit(end)).isGreaterThan(dictionary.habit(middle));
        }

        @Test
        void lockedPlacesAreKept() {
            Tone earlier = new Tone("t", List.of(Block.of("chiming edge").with("presence", 6.5), Block.of("2×12 open"),
                    Block.of("dynamic microphone").with("position", 41)));
            CurveDictionary kept = new CurveDictionary(SearchOptions.defaults().withRig(SMALL).keeping(earlier,
                    Locks.of(ControlPlace.parse("microphone/position"), ControlPlace.parse("amp/presence"))));
            for (int k = 0; k < kept.size(); k++) {
                assertThat(kept.entry(k).microphone().orElseThrow().get("position")).isEqualTo(41);
                assertThat(kept.entry(k).presence()).isEqualTo(6.5);
            }
        }

        @Test
        void onlyOwnedCabinetsAreOffered() {
            for (int k = 0; k < dictionary.size(); k++) {
                assertThat(SMALL.has(dictionary.entry(k).cabinet().orElseThrow().model())).isTrue();
                assertThat(SMALL.has(dictionary.entry(k).microphone().orElseThrow().model())).isTrue();
            }
        }
    }

    @Nested
    class TheKnobs {
        @Test
        void areReadFromAToneAndWrittenAsBlocks() {
            Knobs k = Knobs.start(Gear.model("mid-forward crunch"), Optional.of(Gear.model("mid-hump overdrive")), 6,
                    3);
            Tone t = new Tone("t", k.blocks());
            assertThat(t.first(GearKind.DRIVE)).isPresent();
            assertThat(t.first(GearKind.AMP).orElseThrow().get("gain")).isEqualTo(6);
            assertThat(Knobs.of(t).orElseThrow().values()).containsExactly(k.values());
            assertThat(Knobs.of(NONE)).isEmpty();
        }

        @Test
        void stayWithinTheirScale() {
            Knobs k = Knobs.start(Gear.model("chiming edge"), Optional.empty(), 5, 5);
            assertThat(k.moved(0, 14).values()[0]).isEqualTo(10);
            assertThat(k.moved(0, -2).values()[0]).isZero();
            assertThat(k.values()[0]).isEqualTo(5);
            assertThat(k.places()).extracting(ControlPlace::toString).contains("amp/gain").doesNotContain("drive/drive")
                    .hasSize(k.count());
        }

        @Test
        void aCompressorStandsInFrontAndCanBeReadBack() {
            Knobs k = Knobs.start(Gear.model("chiming edge"), Optional.empty(), 5, 5)
                    .compressed(Gear.model("soft-knee compressor"));
            Tone t = new Tone("t", k.blocks());
            assertThat(t.blocks().get(0).model().kind()).isEqualTo(GearKind.COMPRESSOR);
            assertThat(k.places()).extracting(ControlPlace::toString).endsWith("compressor/threshold",
                    "compressor/ratio");
            double[] again = Knobs.of(t).orElseThrow().values();
            for (int i = 0; i < again.length; i++) assertThat(again[i]).isCloseTo(k.values()[i], within(1e-9));
        }

        @Test
        void lockedOnesTakeOverWhatTheyWere() {
            Knobs before = Knobs.start(Gear.model("chiming edge"), Optional.empty(), 8, 2);
            Knobs now = Knobs.start(Gear.model("open clean"), Optional.of(Gear.model("clean boost")), 3, 5);
            Knobs taken = now.taking(before,
                    Locks.of(ControlPlace.parse("amp/gain"), ControlPlace.parse("drive/tone")));
            assertThat(taken.values()[0]).isEqualTo(8);
            assertThat(taken.values()[4]).isEqualTo(5);
            assertThat(taken.compressor()).isEmpty();
        }

        @Test
        void aLockedCompressorAndALockedSettingThatIsNotSearchedGoAlong() {
            Tone held = new Tone("t", List.of(Block.of("soft-knee compressor").with("ratio", 6),
                    Block.of("chiming edge").with("treble cut", 4).with("bright", 1)));
            Knobs before = Knobs.of(held).orElseThrow();
            Knobs taken = Knobs.start(Gear.model("chiming edge"), Optional.empty(), 5, 5).taking(before,
                    Locks.of(ControlPlace.parse("compressor/ratio"), ControlPlace.parse("amp/treble cut")));
            List<Block> blocks = taken.blocks();
            assertThat(blocks.get(0).get("ratio")).isCloseTo(6, within(1e-6));
            assertThat(blocks.get(1).get("treble cut")).isEqualTo(4);
            assertThat(blocks.get(1).get("bright")).isZero();
        }
    }

    @Nested
    class TheSegment {
        @Test
        void liesInTheSoundAndHoldsThePlaying() {
            float[] x = new float[48000 * 12];
            float[] part = Signal.plucks(0.2, 3).samples(48000 * 5);
            System.arraycopy(part, 0, x, 48000 * 6, part.length);
            SearchSegment s = SearchSegment.of(x, 48000, 4);
            assertThat(s.from()).isBetween(48000 * 5, 48000 * 8);
            assertThat(s.to()).isLessThanOrEqualTo(x.length);
            assertThat(s.cut(x)).hasSize(s.to() - s.from() + s.warmUp());
            assertThat(s.cutScored(x)).hasSize(s.to() - s.from());
        }

        @Test
        void ofAShortSoundIsAllOfIt() {
            SearchSegment s = SearchSegment.of(new float[20000], 48000, 4);
            assertThat(s.from()).isZero();
            assertThat(s.to()).isEqualTo(20000);
        }
    }

    @Test
    void optionsNeedABudget() {
        assertThatThrownBy(() -> SearchOptions.defaults().withBudget(0, 1)).hasMessageContaining("budget");
        assertThat(SearchOptions.defaults().keeping(NONE, Locks.of(ControlPlace.parse("amp/gain"))).locked())
                .isEqualTo(Locks.of(ControlPlace.parse("amp/gain")));
    }

    @Test
    void equalizerCurvesAddUp() {
        double[] weight = new double[Features.LEVEL_BANDS.count()];
        Arrays.fill(weight, 1);
        EqualizerFit fit = new EqualizerFit(weight, 0.01, true, false, new EmptyBands(new boolean[weight.length]));
        double[] lift = new double[weight.length];
        for (int b = 0; b < lift.length; b++) lift[b] = b > 20 && b < 26 ? -6 : 0;
        Block eq = fit.fit(lift);
        double[] curve = fit.curve(eq);
        assertThat(Arrays.stream(curve).min().orElseThrow()).isLessThan(-3);
        assertThat(Arrays.stream(curve).max().orElseThrow()).isLessThan(0.1);
    }
}
