package verisonus.core.feel;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.perform.PlayedReading;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.StageSaturation;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;

/** How dirty a tone is called, against what the harmonics of a sine say; soft playing, echo and space are not dirt. */
class PlayedSoftlyTest {
    private static final int N = 48_000;
    private static final int SETTLED = 24_000;
    private static final double HZ = 220;

    private static Sound sine(double db) {
        float[] x = new float[SETTLED + N];
        double a = 0.5 * Math.pow(10, db / 20);
        for (int i = 0; i < x.length; i++) x[i] = (float) (a * Math.sin(2 * Math.PI * HZ * i / 48_000));
        return Sound.mono(x, 48_000);
    }

    /** Share of the energy that stands beside the sine, once settled: all of it is made by clipping. */
    private static double besideTheSine(Tone tone, double db) {
        float[] y = Renderer.renderMono(tone, sine(db).mid(), Quality.SEARCH);
        double re = 0;
        double im = 0;
        double all = 0;
        double mean = 0;
        for (int i = SETTLED; i < SETTLED + N; i++) mean += y[i] / (double) N;
        for (int i = SETTLED; i < SETTLED + N; i++) {
            double phase = 2 * Math.PI * HZ * i / 48_000;
            re += y[i] * Math.cos(phase);
            im += y[i] * Math.sin(phase);
            all += (y[i] - mean) * (y[i] - mean);
        }
        return 1 - 2 * (re * re + im * im) / N / all;
    }

    @ParameterizedTest
    @CsvSource({"open clean, 3", "chiming edge, 3", "chiming edge, 6", "mid-forward crunch, 2", "small combo, 4"})
    void softPlayingIsAsCleanAsItsHarmonicsSay(String amp, double gain) {
        Tone tone = new Tone("t", List.of(Block.of(amp).with("gain", gain)));
        TouchCurve touch = TouchCurve.of(tone, 0.5);
        double harmonics = besideTheSine(tone, -40);
        assertThat(touch.points().getFirst().dirt().orElseThrow()).isLessThan(0.02 + 3 * harmonics);
    }

    @ParameterizedTest
    @ValueSource(doubles = {-40, -20, -8, 0})
    void theSumOfTheStagesIsWhatStandsBesideASine(double db) {
        Tone tone = new Tone("t", List.of(Block.of("chiming edge").with("gain", 5).with("sag", 0)));
        double truth = besideTheSine(tone, db);
        assertThat(StageSaturation.of(tone, sine(db), 0).total()).isCloseTo(truth, within(0.02 + 0.35 * truth));
    }

    @Test
    void whatIsPlayedFarTooSoftlyCannotBeTold() {
        Tone tone = new Tone("t", List.of(Block.of("chiming edge")));
        assertThat(TouchCurve.of(tone, 1e-8).points().getFirst().dirt()).isEmpty();
    }

    @Test
    void moreEchoOrSpaceIsNotMoreDirt() {
        Sound phrase = Signal.plucks(0.3, 4).lasting(4);
        Tone dry = new Tone("t", List.of(Block.of("chiming edge").with("gain", 0.5), Block.of("2×12 open"),
                Block.of("clean echo").with(ControlNames.MIX, 0), Block.of("plate").with(ControlNames.MIX, 0)));
        Tone wet = dry.with(dry.find("echo").orElseThrow().with(ControlNames.MIX, 50))
                .with(dry.find("reverb").orElseThrow().with(ControlNames.MIX, 40));
        assertThat(PlayedReading.dirt(wet, phrase)).isCloseTo(PlayedReading.dirt(dry, phrase), within(1e-9));
        Tone driven = dry.with(dry.find("amp").orElseThrow().with("gain", 7));
        assertThat(PlayedReading.dirt(driven, phrase)).isGreaterThan(PlayedReading.dirt(dry, phrase) + 0.1);
    }
}
