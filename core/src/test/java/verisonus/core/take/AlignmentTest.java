package verisonus.core.take;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.Tone;
import verisonus.core.simulate.Renderer;
import verisonus.core.simulate.stages.Quality;
import verisonus.core.sound.Signal;
import verisonus.core.sound.Sound;
import verisonus.core.work.Progress;

class AlignmentTest {
    private static final int RATE_HZ = 48000;
    private static final Sound DI = Signal.plucks(0.27, 21).atDb(-8).lasting(6);
    /** Much gain: what begins softly is loud at once, so that the rises of the level come early. */
    private static final Tone HEAVY = new Tone("heavy", List.of(
            Block.of("mid-hump overdrive").with("drive", 6).with("level", 7),
            Block.of("tight saturated").with("gain", 7), Block.of("4×12 closed"), Block.of("dynamic microphone")));
    private static float[] heavy;

    @BeforeAll
    static void render() {
        heavy = Renderer.render(HEAVY, DI, Quality.FINAL, Progress.NONE).mid();
    }

    private static float[] late(float[] x, int samples) {
        return Signal.array(x.length, i -> i < samples ? 0 : x[i - samples]);
    }

    private static double ms(int samples) {
        return 1000.0 * samples / RATE_HZ;
    }

    @ParameterizedTest
    @ValueSource(ints = {0, 960, 2000, 9600})
    void aTakeOfTheVeryPerformanceIsLaidUnderItToTheSampleThroughMuchGain(int samples) {
        Alignment a = Alignment.find(heavy, late(DI.mid(), samples), RATE_HZ);
        assertThat(a.pairing()).isEqualTo(Pairing.SAME_PERFORMANCE);
        assertThat(a.sharp()).isTrue();
        assertThat(ms(a.offsetSamples())).isCloseTo(-ms(samples), within(0.5));
    }

    @Test
    void aTurnedPhaseMakesNoDifference() {
        float[] turned = Signal.array(heavy.length, i -> -heavy[i]);
        assertThat(Alignment.find(turned, DI.mid(), RATE_HZ).offsetSamples())
                .isEqualTo(Alignment.find(heavy, DI.mid(), RATE_HZ).offsetSamples());
    }

    @Test
    void thePhrasePlayedAgainIsFoundByItsNotesAndIsNotSharp() {
        float[] again = Signal.plucks(0.27, 21, 5).atDb(-8).lasting(6).mid();
        for (int samples : new int[]{0, 1440}) {
            Alignment a = Alignment.find(heavy, late(again, samples), RATE_HZ);
            assertThat(a.pairing()).isEqualTo(Pairing.PLAYED_AGAIN);
            assertThat(a.sharp()).isFalse();
            assertThat(ms(a.offsetSamples())).isCloseTo(-ms(samples), within(6.0));
        }
    }

    @Test
    void otherNotesAreOtherPlaying() {
        Alignment a = Alignment.find(heavy, Signal.plucks(0.41, 77).atDb(-8).lasting(6).mid(), RATE_HZ);
        assertThat(a.pairing()).isEqualTo(Pairing.OTHER_PLAYING);
        assertThat(a.sharp()).isFalse();
    }

    @ParameterizedTest
    @ValueSource(doubles = {0.998, 1.0035})
    void aTakeThatDriftsIsStretchedToTheReference(double speed) {
        float[] x = Signal.plucks(0.41, 5).atDb(-8).lasting(12).mid();
        float[] drifting = Signal.array(x.length, i -> x[(int) Math.min(x.length - 1, i / speed)]);
        float[] laid = Alignment.find(x, drifting, RATE_HZ).laid(x, drifting, RATE_HZ);
        for (int from : new int[]{RATE_HZ, RATE_HZ * 5, RATE_HZ * 9}) {
            float[] part = Arrays.copyOfRange(x, from, from + RATE_HZ);
            float[] under = Arrays.copyOfRange(laid, from, from + RATE_HZ);
            assertThat(ms(OnsetOffset.find(part, under, RATE_HZ, 0, 0.05).samples())).as("at %d s", from / RATE_HZ)
                    .isCloseTo(0, within(4.0));
        }
    }

    @Test
    void aTakeInTimeIsLeftAsItIs() {
        float[] x = DI.mid();
        assertThat(Alignment.find(x, x, RATE_HZ).laid(x, x, RATE_HZ)).isEqualTo(x);
    }

    @Test
    void aPartOfThePhraseIsFoundInTheWholeTake() {
        float[] part = Arrays.copyOfRange(heavy, 2 * RATE_HZ, (int) (4.6 * RATE_HZ));
        Alignment a = Alignment.find(part, DI.mid(), RATE_HZ);
        assertThat(a.pairing()).isEqualTo(Pairing.SAME_PERFORMANCE);
        assertThat(ms(a.offsetSamples())).isCloseTo(-2000, within(1.0));
    }

    @Test
    void beginningsOfNotesAgreeForOnePhraseAndNotForTwo() {
        float[] again = Signal.plucks(0.27, 21, 5).atDb(-8).lasting(6).mid();
        float[] other = Signal.plucks(0.31, 4).atDb(-8).lasting(6).mid();
        double one = OnsetOffset.find(heavy, again, RATE_HZ, 0, 0.06).likeness();
        double two = OnsetOffset.find(heavy, other, RATE_HZ, 0, 0.06).likeness();
        assertThat(one).isGreaterThan(two + 0.1);
        assertThat(two).isLessThan(0.25);
        assertThat(OnsetOffset.find(heavy, heavy, RATE_HZ, 0, 0.06).likeness()).isCloseTo(1, within(1e-6));
    }
}
