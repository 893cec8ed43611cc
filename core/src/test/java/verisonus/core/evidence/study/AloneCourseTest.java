package verisonus.core.evidence.study;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.List;
import org.junit.jupiter.api.Test;
import verisonus.core.evidence.signs.Network;

class AloneCourseTest {
    /** Steps from company to alone in the middle. */
    private static double[] step() {
        double[] odds = new double[40];
        for (int i = 0; i < odds.length; i++) odds[i] = i < odds.length / 2 ? -4 : 4;
        return odds;
    }

    private static double of(double[] row, String sign) {
        return row[AloneCourse.SIGN_NAMES.indexOf(sign)];
    }

    @Test
    void aRowHoldsWhatWasSaidBeforeAndAfter() {
        double[][] rows = AloneCourse.rows(step());
        int turn = rows.length / 2;
        assertThat(of(rows[turn], "ODDS 0")).isEqualTo(4);
        assertThat(of(rows[turn], "ODDS -1")).isEqualTo(-4);
        assertThat(of(rows[turn], "ODDS 12")).isEqualTo(4);
        assertThat(of(rows[turn], "MEAN 2")).isCloseTo((3 * 4 - 2 * 4) / 5.0, within(1e-9));
    }

    @Test
    void beyondTheEndsItGoesOnAsThere() {
        double[][] rows = AloneCourse.rows(step());
        assertThat(of(rows[0], "ODDS -12")).isEqualTo(-4);
        assertThat(of(rows[rows.length - 1], "ODDS 12")).isEqualTo(4);
        assertThat(of(rows[0], "MEAN 4")).isCloseTo(-4, within(1e-9));
    }

    @Test
    void everyRowHasEverySign() {
        assertThat(AloneCourse.rows(step())).hasDimensions(40, AloneCourse.SIGN_NAMES.size());
        assertThat(AloneCourse.SIGN_NAMES).doesNotHaveDuplicates();
    }

    @Test
    void logOddsAreTheMeanOfWhatNetworksSayAndKeptInBounds() {
        Network sure = new Network(new double[]{0}, new double[]{1}, new double[][]{{0, 1}}, new double[][]{{0, -50},
                {0, 50}});
        Network even = new Network(new double[]{0}, new double[]{1}, new double[][]{{0, 1}}, new double[][]{{0, 0},
                {0, 0}});
        double[][] rows = {{0.3}};
        assertThat(AloneCourse.logOdds(List.of(sure), rows)).containsExactly(5);
        assertThat(AloneCourse.logOdds(List.of(even), rows)[0]).isCloseTo(0, within(1e-6));
        assertThat(AloneCourse.logOdds(List.of(sure, even), rows)[0]).isCloseTo(2.5, within(1e-6));
    }
}
