package verisonus.core.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlPlace;
import verisonus.core.rig.Locks;
import verisonus.core.rig.Rig;
import verisonus.core.rig.Tone;
import verisonus.core.search.colour.EmptyBands;
import verisonus.core.search.colour.EqualizerFit;
import verisonus.core.search.colour.Features;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.take.Pairing;
import verisonus.core.work.Cancelled;
import verisonus.core.work.Progress;
import verisonus.core.work.StopAtOnce;

/** Small searches: what a whole one reaches is measured by the report in bench, not here. */
class ToneSearchTest {
    private static final Sound DI = Signal.plucks(0.27, 21).atDb(-8).lasting(5);
    private static final Rig SMALL = new Rig(List.of(),
            Map.of("chiming edge", 1, "tight saturated", 1, "2×12 open", 1, "4×12 closed", 1, "dynamic microphone", 1,
                    "parametric equalizer", 1, "clean echo", 1),
            Map.of(), 9);
    private static final Tone TRUTH = new Tone("truth",
            List.of(Block.of("tight saturated").with("gain", 4.5).with("master", 4), Block.of("4×12 closed"),
                    Block.of("dynamic microphone").with("position", 30)));
    private static ExecutorService workers;
    private static Sound reference;
    private static Derivation found;

    @BeforeAll
    static void searchOnce() {
        workers = Executors.newFixedThreadPool(2);
        reference = Renderer.render(TRUTH, DI, Quality.FINAL, Progress.NONE);
        found = new ToneSearch(reference, DI, options(), workers, Progress.NONE).telling((t, _) -> SO_FAR.add(t)).run();
    }

    @Test
    void tonesThatCanBePlayedAreToldBeforeTheSearchIsOver() {
        assertThat(SO_FAR).isNotEmpty().allSatisfy(t -> {
            assertThat(t.blocks()).allSatisfy(b -> assertThat(SMALL.has(b.model())).as(b.model().name()).isTrue());
            assertThat(Renderer.render(t, DI, Quality.DRAFT, Progress.NONE).peak()).isPositive();
        });
        assertThat(SO_FAR.getLast().find("amp").orElseThrow().model()).isEqualTo(found.tone().find("amp").orElseThrow()
                .model());
    }

    @AfterAll
    static void stop() {
        workers.shutdownNow();
    }

    private static SearchOptions options() {
        return SearchOptions.defaults().withRig(SMALL).withBudget(40, 1);
    }

    private static final List<Tone> SO_FAR = new ArrayList<>();

    private static Derivation search(Sound di, SearchOptions options, Progress progress) {
        return new ToneSearch(reference, di, options, workers, progress).run();
    }

    private static double gain(Tone t) {
        return t.find("amp").orElseThrow().get("gain");
    }

    @Nested
    class OfTheSamePhrase {
        @Test
        void namesTheVoicingAndCabinetAndComesNearTheGain() {
            assertThat(found.pairing()).isEqualTo(Pairing.SAME_PERFORMANCE);
            assertThat(found.tone().find("amp").orElseThrow().model().name()).isEqualTo("tight saturated");
            assertThat(gain(found.tone())).isCloseTo(4.5, within(1.5));
        }

        @Test
        void closesMostOfTheGap() {
            double[] want = thirds(reference);
            assertThat(rms(want, thirds(found.render()))).isLessThan(1.5);
            assertThat(rms(want, thirds(found.render()))).isLessThan(0.3 * rms(want, thirds(DI)));
        }

        @Test
        void rendersAsLoudAsTheReferenceAndAsLong() {
            assertThat(found.render().frames()).isEqualTo(reference.frames());
            assertThat(20 * Math.log10(found.render().rms() / reference.rms())).isCloseTo(0, within(1.0));
        }

        @Test
        void saysHowFarEachControlCanMove() {
            assertThat(found.tolerances()).isNotEmpty();
            for (Tolerance t : found.tolerances()) {
                assertThat(t.low()).as(t.control()).isLessThanOrEqualTo(t.value() + 1e-6);
                assertThat(t.high()).as(t.control()).isGreaterThanOrEqualTo(t.value() - 1e-6);
                assertThat(t.why()).isNotBlank();
            }
        }

        @Test
        void usesOnlyTheGearThatIsOwned() {
            for (Block b : found.tone().blocks()) assertThat(SMALL.has(b.model())).as(b.model().name()).isTrue();
        }

        private static double[] thirds(Sound s) {
            return Bands.levelsDb(Bands.thirds(100, 6300).longTermPower(s.mid(), s.rateHz()), 50);
        }

        private static double rms(double[] a, double[] b) {
            double mean = 0;
            for (int i = 0; i < a.length; i++) mean += (a[i] - b[i]) / a.length;
            double sum = 0;
            for (int i = 0; i < a.length; i++) sum += Math.pow(a[i] - b[i] - mean, 2);
            return Math.sqrt(sum / a.length);
        }
    }

    @Test
    void sameSeedSameTone() {
        Derivation again = search(DI, options(), Progress.NONE);
        assertThat(again.tone().blocks()).isEqualTo(found.tone().blocks());
        assertThat(again.render().mid()).isEqualTo(found.render().mid());
    }

    @Test
    void aLockedControlKeepsItsValue() {
        Tone earlier = found.tone().with(found.tone().find("amp").orElseThrow().with("gain", 7.25));
        Derivation d = search(DI, options().keeping(earlier, Locks.of(ControlPlace.parse("amp/gain"))), Progress.NONE);
        assertThat(gain(d.tone())).isEqualTo(7.25);
    }

    @Test
    void cutFirstNeverLiftsABand() {
        Derivation d = search(DI, options().withSchool(SearchOptions.School.of(SearchOptions.Start.NEUTRAL,
                SearchOptions.Order.TOGETHER, SearchOptions.Equalizing.CUT_FIRST)), Progress.NONE);
        Block eq = d.tone().find("equalizer").orElseThrow();
        for (String c : List.of("low shelf", "peak 1", "peak 2", "peak 3", "peak 4", "high shelf")) {
            assertThat(eq.get(c)).as(c).isLessThanOrEqualTo(0);
        }
    }

    @Test
    void otherPlayingIsNoticed() {
        Derivation d = search(Signal.plucks(0.41, 77).atDb(-8).lasting(5), options(), Progress.NONE);
        assertThat(d.pairing()).isEqualTo(Pairing.OTHER_PLAYING);
        assertThat(d.diStartS()).isZero();
    }

    @Test
    void cancellingAtOnceLeavesByTheTypedWay() {
        assertThatThrownBy(() -> search(DI, options(), new StopAtOnce())).isInstanceOf(Cancelled.class);
    }

    @Test
    void cancellingLateKeepsTheBestSoFar() {
        List<Double> seen = new ArrayList<>();
        Progress later = new Progress() {
            @Override
            public void at(double done, String doing) {
                seen.add(done);
            }

            @Override
            public boolean cancelled() {
                return !seen.isEmpty() && seen.get(seen.size() - 1) >= 0.35;
            }
        };
        Derivation d = search(DI, options(), later);
        assertThat(d.stopped()).contains("cancelled");
        assertThat(d.tone().blocks()).isNotEmpty();
    }

    @Test
    void theEqualizerFitsACurveItCanMake() {
        double[] hz = Features.LEVEL_BANDS.centresHz();
        double[] weight = new double[hz.length];
        java.util.Arrays.fill(weight, 1);
        double[] want = new double[hz.length];
        for (int b = 0; b < hz.length; b++) want[b] = 6 * Math.exp(-Math.pow(Math.log(hz[b] / 1000) / 0.5, 2));
        EqualizerFit fit = new EqualizerFit(weight, 0.01, false, false, new EmptyBands(new boolean[weight.length]));
        double[] got = fit.curve(fit.fit(want));
        double mean = 0;
        for (int b = 0; b < hz.length; b++) mean += (got[b] - want[b]) / hz.length;
        for (int b = 0; b < hz.length; b++) {
            assertThat(got[b] - mean).as("%.0f Hz", hz[b]).isCloseTo(want[b], within(1.0));
        }
    }
}
