package verisonus.core.evidence.guided;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class GuidedSplitTest {
    private static float[][] share(float[][] power, GuidedSplit.Setting setting) {
        LaidSpectra laid = LaidSpectra.of(GuidedBand.GUITAR, GuidedBand.TAKE);
        double[] start = new double[ThirdBands.COUNT];
        Arrays.fill(start, 1);
        return GuidedSplit.of(power, laid.guides(), start, setting);
    }

    private static double guitarShare(float[][] power, float[][] share) {
        double all = 0;
        double kept = 0;
        for (int t = 0; t < power.length; t++) {
            for (int k = 1; k < power[t].length; k++) {
                all += power[t][k];
                kept += power[t][k] * share[t][k];
            }
        }
        return kept / all;
    }

    @ParameterizedTest
    @ValueSource(ints = {3, 9})
    void everyShareLiesBetweenNothingAndAll(int patterns) {
        float[][] share = share(LaidSpectra.of(GuidedBand.aside(0.3), GuidedBand.TAKE).power(),
                new GuidedSplit.Setting(patterns, 2));
        for (float[] row : share) for (float s : row) assertThat(s).isBetween(0f, 1f);
    }

    @Test
    void whatTheTakePlaysIsMostlyTheGuitars() {
        float[][] power = LaidSpectra.of(GuidedBand.GUITAR, GuidedBand.TAKE).power();
        assertThat(guitarShare(power, share(power, GuidedSplit.Setting.SPARING))).isGreaterThan(0.8);
    }

    @Test
    void whatTheTakeDoesNotPlayIsMostlyNot() {
        float[][] power = LaidSpectra.of(GuidedBand.COMPANY, GuidedBand.TAKE).power();
        assertThat(guitarShare(power, share(power, GuidedSplit.Setting.THOROUGH))).isLessThan(0.3);
    }

    @Test
    void thoroughLeavesTheGuitarLessThanSparing() {
        float[][] power = LaidSpectra.of(GuidedBand.aside(Math.PI / 4), GuidedBand.TAKE).power();
        assertThat(guitarShare(power, share(power, GuidedSplit.Setting.THOROUGH)))
                .isLessThan(guitarShare(power, share(power, GuidedSplit.Setting.SPARING)));
    }

    @Test
    void theSameIsSplitTheSame() {
        float[][] power = LaidSpectra.of(GuidedBand.GUITAR, GuidedBand.TAKE).power();
        assertThat(share(power, GuidedSplit.Setting.SPARING)).isDeepEqualTo(share(power, GuidedSplit.Setting.SPARING));
    }
}
