package verisonus.core.simulate.spaces;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;
import verisonus.core.rig.ControlNames;
import verisonus.core.sound.Biquad;

/** Springs: pulses that come back spread out, the treble later than the bass. */
class SpringReverbTest {
    private static final int RATE_HZ = 48_000;

    private static Block spring() {
        return Block.of("spring").with(ControlNames.DRY, 1).with(ControlNames.MIX, 50).with(ControlNames.PRE_DELAY, 0);
    }

    private static float[][] response(Block b, int channels, double seconds) {
        float[][] x = new float[channels][(int) (seconds * RATE_HZ)];
        for (float[] c : x) c[0] = 1;
        new SpringReverb(b, RATE_HZ).process(x, x[0].length);
        return x;
    }

    private static double energy(float[] x, double fromS, double toS) {
        double sum = 1e-20;
        for (int i = (int) (fromS * RATE_HZ); i < Math.min(x.length, (int) (toS * RATE_HZ)); i++)
            sum += x[i] * (double) x[i];
        return sum;
    }

    @Test
    void nothingAnswersBeforeTheSpringHasBeenRunThrough() {
        float[] x = response(spring().with(ControlNames.PRE_DELAY, 60), 1, 1)[0];
        assertThat(energy(x, 0, 0.058)).isLessThan(1e-6 * energy(x, 0, 1));
    }

    @ParameterizedTest
    @ValueSource(doubles = {1, 2, 3})
    void itDiesAwayAsItsDecaySays(double decayS) {
        float[] x = response(spring().with(ControlNames.DECAY, decayS), 1, 2 * decayS)[0];
        double early = 10 * Math.log10(energy(x, 0.15 * decayS, 0.4 * decayS));
        double late = 10 * Math.log10(energy(x, 0.65 * decayS, 0.9 * decayS));
        assertThat(early - late).isCloseTo(30, within(4.0));
    }

    @Test
    void trebleComesBackLaterThanBass() {
        assertThat(firstCentreS(Biquad.lowPass(700, 0.7, RATE_HZ)))
                .isLessThan(firstCentreS(Biquad.highPass(2500, 0.7, RATE_HZ)) - 0.002);
    }

    /** When the first pulse's energy arrives in a band, seconds. */
    private static double firstCentreS(Biquad band) {
        float[] x = response(spring(), 1, 0.07)[0];
        new Biquad.Section(band).process(x, 0, x.length);
        double sum = 0;
        double weighted = 0;
        for (int i = 0; i < x.length; i++) {
            sum += x[i] * (double) x[i];
            weighted += i * (x[i] * (double) x[i]);
        }
        return weighted / sum / RATE_HZ;
    }

    @Test
    void twoSidesHearDifferentSpringsEquallyLoud() {
        float[][] x = response(spring(), 2, 1);
        assertThat(10 * Math.log10(energy(x[0], 0, 1) / energy(x[1], 0, 1))).isCloseTo(0, within(3.0));
        assertThat(x[0]).isNotEqualTo(x[1]);
    }

    @Test
    void whatWasPlayedBeforeAResetIsGone() {
        SpringReverb s = new SpringReverb(spring(), RATE_HZ);
        float[][] loud = new float[1][4800];
        java.util.Arrays.fill(loud[0], 0.5f);
        s.process(loud, 4800);
        s.reset();
        float[][] silent = new float[1][9600];
        s.process(silent, 9600);
        assertThat(silent[0]).containsOnly(0f);
    }
}
