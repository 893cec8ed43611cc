package verisonus.bench.band;

import java.util.Arrays;
import java.util.List;
import java.util.Locale;

/** Logistic regression with a ridge, for few signs and some hundred examples. */
final class Logistic {
    private static final int ROUNDS = 6000;
    private static final double RATE = 0.5;
    private static final double RIDGE = 0.003;

    private Logistic() {}

    /** What an example counts. */
    enum Weighing {
        /** Right and wrong ones the same in sum. */
        EVEN,
        /** Each as much as any other: the odds are those of the examples. */
        AS_THEY_COME
    }

    /** An example. */
    record Row(double[] signs, boolean right) {}

    /** Weights of the signs, then of nothing. */
    static double[] fitted(List<Row> rows, Weighing weighing) {
        int n = rows.get(0).signs.length;
        double[] mean = new double[n];
        double[] spread = new double[n];
        for (int i = 0; i < n; i++) {
            int column = i;
            mean[i] = rows.stream().mapToDouble(r -> r.signs[column]).average().orElse(0);
            double m = mean[i];
            spread[i] = Math.sqrt(rows.stream().mapToDouble(r -> Math.pow(r.signs[column] - m, 2)).average().orElse(1));
        }
        double share = weighing == Weighing.EVEN
                ? rows.stream().filter(Row::right).count() / (double) rows.size()
                : 0.5;
        double[] w = new double[n + 1];
        for (int round = 0; round < ROUNDS; round++) {
            double[] slope = new double[n + 1];
            for (Row r : rows) {
                double sum = w[n];
                for (int i = 0; i < n; i++) sum += w[i] * (r.signs[i] - mean[i]) / spread[i];
                double off = (1 / (1 + Math.exp(-sum)) - (r.right ? 1 : 0)) * 0.5 / (r.right ? share : 1 - share)
                        / rows.size();
                for (int i = 0; i < n; i++) slope[i] += off * (r.signs[i] - mean[i]) / spread[i];
                slope[n] += off;
            }
            for (int i = 0; i <= n; i++) w[i] -= RATE * (slope[i] + (i < n ? RIDGE * w[i] : 0));
        }
        double[] out = new double[n + 1];
        out[n] = w[n];
        for (int i = 0; i < n; i++) {
            out[i] = w[i] / spread[i];
            out[n] -= out[i] * mean[i];
        }
        return out;
    }

    static String text(double[] v) {
        return String.join(", ", Arrays.stream(v).mapToObj(x -> String.format(Locale.ROOT, "%.3f", x)).toList());
    }
}
