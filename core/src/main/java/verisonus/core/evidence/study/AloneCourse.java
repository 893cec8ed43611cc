package verisonus.core.evidence.study;

import java.util.Arrays;
import java.util.List;
import java.util.stream.Stream;
import verisonus.core.evidence.signs.Network;

/**
 * What speaks for a guitar that plays alone in the course of what each quarter second says by itself: others come and go at once and stay
 * for bars, while the signs of a quarter second reach up to a second to either side and blur where they do. Rows for a
 * {@link Network}: the log-odds before, at and after a quarter second, and two means of them.
 */
public final class AloneCourse {
    /** Quarter seconds away. */
    private static final int[] AWAY = {-12, -8, -6, -5, -4, -3, -2, -1, 0, 1, 2, 3, 4, 5, 6, 8, 12};
    private static final int[] MEAN_OVER = {2, 4};
    /** Of a row. */
    public static final List<String> SIGN_NAMES = Stream.concat(
            Arrays.stream(AWAY).mapToObj(d -> "ODDS " + d), Arrays.stream(MEAN_OVER).mapToObj(r -> "MEAN " + r))
            .toList();

    /** Files of weights beside this class. */
    public static final List<String> OF_A_MOMENT = List.of("alone-1.csv", "alone-2.csv", "alone-3.csv");
    public static final List<String> OF_THE_COURSE = List.of("alone-course-1.csv", "alone-course-2.csv");
    private static final double LIMIT = 5;

    private AloneCourse() {}

    /**
     * Mean log-odds, each within ±{@value #LIMIT}, of networks whose second answer is a guitar that plays by itself.
     *
     * @param rows signs by quarter second
     */
    public static double[] logOdds(List<Network> networks, double[][] rows) {
        double[] out = new double[rows.length];
        for (int i = 0; i < out.length; i++)
            for (Network net : networks) out[i] += odds(net.probabilities(rows[i])[1]) / networks.size();
        return out;
    }

    private static double odds(double p) {
        return Math.clamp(Math.log((p + 1e-9) / (1 - p + 1e-9)), -LIMIT, LIMIT);
    }

    /**
     * A row for every quarter second; before the first and after the last it goes on as there.
     *
     * @param odds what each says by itself, natural logarithm
     */
    public static double[][] rows(double[] odds) {
        double[][] out = new double[odds.length][SIGN_NAMES.size()];
        for (int i = 0; i < odds.length; i++) {
            int column = 0;
            for (int d : AWAY) out[i][column++] = at(odds, i + d);
            for (int r : MEAN_OVER) out[i][column++] = mean(odds, i, r);
        }
        return out;
    }

    private static double mean(double[] odds, int i, int reach) {
        double sum = 0;
        for (int d = -reach; d <= reach; d++) sum += at(odds, i + d) / (2 * reach + 1);
        return sum;
    }

    private static double at(double[] odds, int i) {
        return odds[Math.clamp(i, 0, odds.length - 1)];
    }
}
