package verisonus.core.simulate;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Bands;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

/** What the curve promises of a control behind the last clipper is what is heard of it. */
class AfterClippingTest {
    private static final Sound NOISE = Signal.noise(3).atDb(-20).lasting(3);
    private static final Bands BANDS = Bands.thirds(200, 8000);
    /** A response filter of finite length, and third octaves of noise in which a steep fall is averaged. */
    private static final double HEARD_DB = 0.8;

    private static double[] heard(Block b) {
        Sound out = Renderer.render(new Tone("t", List.of(b)), NOISE, Quality.SEARCH, Progress.NONE);
        return Bands.levelsDb(BANDS.longTermPower(out.mid(), out.rateHz()), 100);
    }

    @ParameterizedTest
    @CsvSource({"open clean, treble cut, 6", "open clean, presence, 9", "open clean, low resonance, 7",
            "chiming edge, highs after clipping, -6", "2×12 open, high cut, 5000", "ribbon microphone, position, 80",
            "condenser microphone, distance, 40"})
    void theCurveIsWhatIsHeard(String model, String control, double value) {
        Block still = Block.of(model);
        Block turned = still.with(control, value);
        double[] before = heard(still);
        double[] after = heard(turned);
        double[] hz = BANDS.centresHz();
        for (int b = 0; b < hz.length; b++) {
            double promised = AfterClipping.gainDb(turned, hz[b]) - AfterClipping.gainDb(still, hz[b]);
            assertThat(after[b] - before[b]).as("%s %s at %.0f Hz", model, control, hz[b])
                    .isCloseTo(promised, within(HEARD_DB));
        }
        assertThat(AfterClipping.isCurve(still, control)).isTrue();
    }

    @ParameterizedTest
    @CsvSource({"chiming edge, gain", "chiming edge, treble", "mid-hump overdrive, tone", "clean echo, mix",
            "ribbon microphone, level"})
    void whatBendsTheWaveOrIsMerelyLouderIsNoCurve(String model, String control) {
        assertThat(AfterClipping.isCurve(Block.of(model), control)).isFalse();
    }
}
