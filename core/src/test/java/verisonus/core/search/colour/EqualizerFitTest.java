package verisonus.core.search.colour;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import verisonus.core.rig.Block;

class EqualizerFitTest {
    private static final double[] HZ = Features.LEVEL_BANDS.centresHz();
    private static final boolean[] NOWHERE_EMPTY = new boolean[HZ.length];

    private static EqualizerFit fit(boolean cutOnly, boolean broad, boolean[] empty) {
        return new EqualizerFit(even(), 0.01, cutOnly, broad, new EmptyBands(empty));
    }

    private static double[] even() {
        double[] w = new double[HZ.length];
        Arrays.fill(w, 1);
        return w;
    }

    private static double[] bump(double hz, double db, double width) {
        return Arrays.stream(HZ).map(h -> db * Math.exp(-Math.pow(Math.log(h / hz) / width, 2))).toArray();
    }

    /** A curve of a few hills and hollows. */
    private static double[] hilly(long seed) {
        SplittableRandom r = new SplittableRandom(seed);
        double[] out = new double[HZ.length];
        for (int i = 0; i < 5; i++) {
            double[] b = bump(90 * Math.pow(80, r.nextDouble()), 12 * r.nextDouble() - 6, 0.3 + 0.5 * r.nextDouble());
            for (int k = 0; k < out.length; k++) out[k] += b[k];
        }
        return out;
    }

    /** RMS over the bands, loudness taken out. */
    private static double left(double[] wanted, double[] got) {
        double mean = 0;
        for (int b = 0; b < HZ.length; b++) mean += (wanted[b] - got[b]) / HZ.length;
        double sum = 0;
        for (int b = 0; b < HZ.length; b++) sum += Math.pow(wanted[b] - got[b] - mean, 2) / HZ.length;
        return Math.sqrt(sum);
    }

    /** What a recording without lows and highs asks for, hills beside it. */
    @Test
    void fewFiltersAreHelpedByCutsWhereTheEndsAreMissing() {
        EqualizerFit fit = EqualizerFit.ofFew(even(), 0.02, false, new EmptyBands(NOWHERE_EMPTY));
        double[] wanted = fit.curve(Block.of("parametric equalizer").with("low cut", 130).with("high cut", 3200));
        double[] hills = hilly(3);
        for (int b = 0; b < wanted.length; b++) wanted[b] += hills[b];
        Block eq = fit.fit(wanted);
        assertThat(eq.get("low cut")).isGreaterThan(50);
        assertThat(eq.get("high cut")).isLessThan(8000);
        assertThat(left(wanted, fit.curve(eq))).isLessThan(0.25 * left(wanted, new double[HZ.length]));
    }

    @Test
    void aLevelCurveNeedsNoCuts() {
        Block eq = EqualizerFit.ofFew(even(), 0.02, false, new EmptyBands(NOWHERE_EMPTY)).fit(bump(500, 4, 0.5));
        assertThat(eq.get("low cut")).isEqualTo(20);
        assertThat(eq.get("high cut")).isEqualTo(20000);
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void sixFiltersTakeMostOfAHillyCurve(long seed) {
        EqualizerFit fit = fit(false, false, NOWHERE_EMPTY);
        double[] wanted = hilly(seed);
        double[] got = fit.curve(fit.fit(wanted));
        assertThat(left(wanted, got)).isLessThan(0.45 * left(wanted, new double[HZ.length]));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void noTwoPeaksStandInOnePlaceAndNoneIsTooSmallToHear(long seed) {
        for (boolean broad : new boolean[]{false, true}) {
            Block eq = fit(false, broad, NOWHERE_EMPTY).fit(hilly(seed));
            for (int a = 1; a <= 4; a++) {
                if (eq.get("peak " + a) == 0) continue;
                assertThat(Math.abs(eq.get("peak " + a))).isGreaterThanOrEqualTo(0.3);
                for (int b = 1; b < a; b++) {
                    if (eq.get("peak " + b) == 0) continue;
                    assertThat(Math.abs(Math.log(eq.get("peak " + a + " frequency") / eq.get("peak " + b
                            + " frequency")))).isGreaterThan(0.1);
                }
            }
        }
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3})
    void loudnessDoesNotCount(long seed) {
        double[] wanted = hilly(seed);
        double[] louder = Arrays.stream(wanted).map(v -> v + 9).toArray();
        EqualizerFit fit = fit(false, false, NOWHERE_EMPTY);
        assertThat(fit.fit(louder).settings()).isEqualTo(fit.fit(wanted).settings());
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void cutFirstNeverRaises(long seed) {
        Block eq = fit(true, false, NOWHERE_EMPTY).fit(hilly(seed));
        eq.settings().forEach((name, v) -> {
            if (eq.model().control(name).unit().equals("dB")) assertThat(v).as(name).isLessThanOrEqualTo(0);
        });
    }

    @Test
    void whereTheTakeHasNothingNothingIsRaisedButCutsStay() {
        boolean[] empty = new boolean[HZ.length];
        for (int b = 0; b < empty.length; b++) empty[b] = HZ[b] > 5000;
        double[] wanted = bump(8000, 8, 0.3);
        double[] got = fit(false, false, empty).curve(fit(false, false, empty).fit(wanted));
        int top = Features.LEVEL_BANDS.nearest(8000);
        int middle = Features.LEVEL_BANDS.nearest(700);
        assertThat(got[top]).isLessThan(3);
        double[] less = bump(8000, -8, 0.3);
        double[] lowered = fit(false, false, empty).curve(fit(false, false, empty).fit(less));
        assertThat(lowered[top] - lowered[middle]).isLessThan(-4);
    }

    @Test
    void aFlatWishLeavesTheEqualizerFlat() {
        double[] got = fit(false, false, NOWHERE_EMPTY)
                .curve(fit(false, false, NOWHERE_EMPTY).fit(new double[HZ.length]));
        for (double db : got) assertThat(db).isCloseTo(0, within(1e-9));
    }
}
